package loesscape.formats.paper;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;

/** Files inside a document that bear out what it says: associated with it as a whole (ISO 19005-3, 6.8). */
final class AssociatedFiles {

    private AssociatedFiles() {}

    static void attach(PDDocument document, List<EvidenceFile> files, GregorianCalendar at) throws IOException {
        if (files.isEmpty()) {
            return;
        }
        Map<String, PDComplexFileSpecification> all = new TreeMap<>();
        for (EvidenceFile file : files) {
            all.put(file.name(), embedded(document, file, at));
        }
        PDEmbeddedFilesNameTreeNode tree = new PDEmbeddedFilesNameTreeNode();
        tree.setNames(all);
        PDDocumentNameDictionary names = new PDDocumentNameDictionary(document.getDocumentCatalog());
        names.setEmbeddedFiles(tree);
        document.getDocumentCatalog().setNames(names);
        COSArray associated = new COSArray();
        all.values().forEach(associated::add);
        document.getDocumentCatalog().getCOSObject().setItem(COSName.getPDFName("AF"), associated);
    }

    private static PDComplexFileSpecification embedded(PDDocument document, EvidenceFile it, GregorianCalendar at)
            throws IOException {
        PDEmbeddedFile file =
                new PDEmbeddedFile(document, new ByteArrayInputStream(it.content()), COSName.FLATE_DECODE);
        file.setSubtype(it.media());
        file.setSize(it.content().length);
        file.setCreationDate(at);
        file.setModDate(at);
        PDComplexFileSpecification specification = new PDComplexFileSpecification();
        specification.setFile(it.name());
        specification.setFileUnicode(it.name());
        specification.setFileDescription(it.description());
        specification.setEmbeddedFile(file);
        specification.setEmbeddedFileUnicode(file);
        specification.getCOSObject().setName(COSName.getPDFName("AFRelationship"), "Data");
        return specification;
    }
}
