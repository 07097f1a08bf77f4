package loesscape.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import loesscape.formats.testing.DemoDocuments;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.junit.jupiter.api.Test;

class LentFontsTest {

    @Test
    void aFontIsLentToOneDocumentAtATimeAndThenToTheNext() throws IOException {
        TrueTypeFont first;
        try (LentFonts one = new LentFonts();
                LentFonts other = new LentFonts()) {
            first = one.of(ShippedFont.SERIF);
            assertThat(one.of(ShippedFont.SERIF)).isSameAs(first);
            assertThat(other.of(ShippedFont.SERIF)).isNotSameAs(first);
        }
        List<TrueTypeFont> lent = new ArrayList<>();
        List<LentFonts> all = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            LentFonts next = new LentFonts();
            all.add(next);
            lent.add(next.of(ShippedFont.SERIF));
        }
        assertThat(lent).contains(first).doesNotHaveDuplicates();
        // More than are kept are given back, and what is lent afterwards can still be read.
        all.forEach(LentFonts::close);
        try (LentFonts next = new LentFonts()) {
            assertThat(next.of(ShippedFont.SERIF).getUnicodeCmapLookup().getGlyphId('a'))
                    .isPositive();
        }
    }

    @Test
    void documentsThatAreWrittenAtOnceAreWrittenAsOneAfterTheOther() throws Exception {
        List<String> names = DemoDocuments.names();
        List<byte[]> alone = new ArrayList<>();
        for (String name : names) {
            alone.add(FinishedPdf.write(DemoDocuments.printed(name, "", DemoDocuments.BOARD)));
        }
        try (ExecutorService threads = Executors.newFixedThreadPool(6)) {
            List<Callable<byte[]>> all = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                for (String name : names) {
                    all.add(() -> FinishedPdf.write(DemoDocuments.printed(name, "", DemoDocuments.BOARD)));
                }
            }
            List<Future<byte[]>> written = threads.invokeAll(all);
            for (int i = 0; i < written.size(); i++) {
                assertThat(written.get(i).get()).isEqualTo(alone.get(i % names.size()));
            }
        }
    }
}
