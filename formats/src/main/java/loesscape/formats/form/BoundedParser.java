package loesscape.formats.form;

import java.io.IOException;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdfparser.PDFParser;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Opens PDF files that somebody brought. What a stream unpacks to is counted before anything unpacks it, in files that are
 * encrypted too: a few bytes can stand for gigabytes.
 */
final class BoundedParser extends PDFParser {

    private final UnpackingBound bound = new UnpackingBound();

    private BoundedParser(byte[] file, String password) throws IOException {
        super(new RandomAccessReadBuffer(file), password);
    }

    /** An open document, of which all streams can be unpacked. */
    static PDDocument open(byte[] file, String password) throws IOException {
        BoundedParser parser = new BoundedParser(file, password);
        PDDocument opened = parser.parse();
        try {
            for (COSObjectKey key : opened.getDocument().getXrefTable().keySet()) {
                if (opened.getDocument().getObjectFromPool(key).getObject() instanceof COSStream stream) {
                    parser.bound.count(stream);
                }
            }
        } catch (IOException | RuntimeException broken) {
            opened.close();
            throw broken;
        }
        return opened;
    }

    @Override
    protected COSBase parseObjectStreamObject(long number, COSObjectKey key) throws IOException {
        if (document.getObjectFromPool(new COSObjectKey(number, 0)).getObject() instanceof COSStream stream) {
            bound.count(stream);
        }
        return super.parseObjectStreamObject(number, key);
    }
}
