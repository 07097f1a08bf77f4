package loesscape.formats.seal;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import loesscape.core.signing.Event;
import loesscape.formats.evidence.Trail;
import loesscape.formats.evidence.TrailEntry;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.jspecify.annotations.Nullable;

/** What is attached to a sealed document: the trail, and what it names by hash. */
final class AttachedEvidence {

    private final Map<String, PDComplexFileSpecification> files;
    private final Map<String, String> digests = new HashMap<>();

    AttachedEvidence(PDDocument document) throws IOException {
        PDDocumentNameDictionary names = document.getDocumentCatalog().getNames();
        Map<String, PDComplexFileSpecification> found = names == null || names.getEmbeddedFiles() == null
                ? null
                : names.getEmbeddedFiles().getNames();
        files = found == null ? Map.of() : found;
    }

    /** The trail; null where there is none. */
    @Nullable
    Trail trail() throws IOException {
        byte[] trail = bytes(SealCheck.TRAIL);
        return trail == null ? null : Trail.read(trail);
    }

    private byte @Nullable [] bytes(String name) throws IOException {
        PDComplexFileSpecification file = files.get(name);
        return file == null || file.getEmbeddedFile() == null
                ? null
                : file.getEmbeddedFile().toByteArray();
    }

    /** What of that is not what the trail says, in a sentence; empty where all of it is. */
    Optional<String> problem(Trail trail) throws IOException {
        int broken = trail.firstBroken();
        if (broken > 0) {
            return Optional.of("The trail in it does not hold together from entry %d on.".formatted(broken));
        }
        for (TrailEntry entry : trail.entries()) {
            for (Map.Entry<String, String> named : named(entry).entrySet()) {
                if (!named.getValue().equals(digest(named.getKey()))) {
                    return Optional.of("“%s” in it is not what entry %d of its trail names."
                            .formatted(named.getKey(), entry.number()));
                }
            }
        }
        return Optional.empty();
    }

    /** SHA-256 of an attached file, in hexadecimal, worked out once; empty where there is none. */
    private String digest(String name) throws IOException {
        String known = digests.get(name);
        if (known == null) {
            byte[] attached = bytes(name);
            known = attached == null ? "" : Trail.digest(attached);
            digests.put(name, known);
        }
        return known;
    }

    /** The files that an entry names, with their hashes. Entries of the first form name others. */
    private static Map<String, String> named(TrailEntry entry) {
        Map<String, String> named = new TreeMap<>();
        if (!entry.isOfFirstForm() && entry.event() instanceof Event.Signed signed) {
            named.put("turn-%s.json".formatted(signed.role()), signed.digest());
        }
        if (entry.event() instanceof Event.Sent sent) {
            if (!sent.releaseDigest().isEmpty()) {
                named.put("template.loess.json", sent.releaseDigest());
            }
            sent.pictures().forEach((name, digest) -> named.put("picture-" + name, digest));
        }
        return named;
    }
}
