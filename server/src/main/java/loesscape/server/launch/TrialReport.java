package loesscape.server.launch;

import java.io.StringWriter;
import java.util.List;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import loesscape.core.trial.TrialOutcome;

/**
 * Outcomes of trials as build servers read them: the XML of JUnit's reports, a suite for the template and a case for each
 * trial (common practice, no published source).
 */
final class TrialReport {

    private TrialReport() {}

    static String of(String title, List<TrialOutcome> outcomes) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeStartElement("testsuite");
            xml.writeAttribute("name", title);
            xml.writeAttribute("tests", Integer.toString(outcomes.size()));
            xml.writeAttribute(
                    "failures",
                    Long.toString(outcomes.stream()
                            .filter(outcome -> !outcome.isPassed())
                            .count()));
            xml.writeAttribute("errors", "0");
            for (TrialOutcome outcome : outcomes) {
                write(title, outcome, xml);
            }
            xml.writeEndElement();
            xml.writeEndDocument();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("Cannot write into memory", e);
        }
        return text.toString();
    }

    private static void write(String title, TrialOutcome outcome, XMLStreamWriter xml) throws XMLStreamException {
        xml.writeStartElement("testcase");
        xml.writeAttribute("classname", title);
        xml.writeAttribute("name", outcome.trial().name());
        for (TrialOutcome.Missed missed : outcome.missed()) {
            xml.writeStartElement("failure");
            xml.writeAttribute(
                    "message", "%s: expected %s, is %s".formatted(missed.about(), missed.expected(), missed.actual()));
            xml.writeCharacters(missed.because());
            xml.writeEndElement();
        }
        xml.writeEndElement();
    }
}
