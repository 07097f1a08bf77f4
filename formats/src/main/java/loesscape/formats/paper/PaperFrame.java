package loesscape.formats.paper;

import loesscape.core.model.PageSettings;
import loesscape.formats.picture.SafePicture;

/** What stands around the text of a document: letterhead, the head and foot of its pages, its title. */
public final class PaperFrame {

    private final String title;
    private final PageSettings settings;
    private final Theme theme;
    private final String which;
    private final PaperWords words;

    private PaperFrame(String title, PageSettings settings, Theme theme, String which) {
        this.title = title;
        this.settings = settings;
        this.theme = theme;
        this.which = which;
        this.words = new PaperWords(settings.language());
    }

    /**
     * A page with its frame, to be written on.
     *
     * @param which what tells the document from others, for the foot; may be empty
     * @param style the style sheet
     * @return its body
     */
    public static Markup around(
            String title, String subtitle, PageSettings settings, Theme theme, String which, String style) {
        Markup html = Markup.page(settings.language().isEmpty() ? "en" : settings.language(), settings.isRightToLeft());
        Markup head = html.in("head");
        head.in("title").say(title);
        head.in("meta").with("name", "description").with("content", subtitle);
        head.in("style").say(style);
        Markup body = html.in("body", settings.isRightToLeft() ? "rtl" : "ltr");
        PaperFrame frame = new PaperFrame(title, settings, theme, which);
        frame.letterhead(body);
        frame.running(body);
        frame.foot(body);
        body.in("h1").say(title);
        if (!subtitle.isEmpty()) {
            body.in("p", "subtitle").say(subtitle);
        }
        return body;
    }

    private void letterhead(Markup body) {
        Markup letterhead = body.in("div", "letterhead");
        if (theme.organisation().isEmpty() && theme.letterhead().isEmpty() && theme.logo() == null) {
            return;
        }
        Markup band = letterhead.in("div", "band");
        SafePicture logo = theme.logo();
        Markup[] beside =
                logo == null ? new Markup[] {band, band.in("div", "sender left")} : beside(band, "emblem", "sender");
        if (logo != null) {
            Drawings.picture(beside[0], logo, "", theme.organisation());
        }
        Markup sender = beside[1];
        if (!theme.organisation().isEmpty()) {
            sender.in("div", "name").say(theme.organisation());
        }
        theme.letterhead().forEach(line -> sender.in("div").say(line));
    }

    private void running(Markup body) {
        Markup[] beside = beside(body.in("div", "running").in("div", "band thin"), "left", "sender");
        beside[0].say(title);
        beside[1].say(theme.organisation());
    }

    private void foot(Markup body) {
        Markup foot = body.in("div", "foot").with("lang", words.language()).in("div", "even");
        Markup[] beside = beside(foot, "left", "count");
        Markup left = beside[0];
        if (!theme.footer().isEmpty()) {
            left.in("div").say(theme.footer());
        }
        if (!which.isEmpty()) {
            left.in("div").say(which);
        }
        Markup count = beside[1];
        count.in("span").say(words.of("page") + " ");
        count.in("span", "page");
        count.in("span").say(" " + words.of("of") + " ");
        count.in("span", "pages");
    }

    /** Two places side by side, the first where reading begins; what is set as a table is not mirrored by itself. */
    private Markup[] beside(Markup row, String first, String second) {
        if (settings.isRightToLeft()) {
            Markup left = row.in("div", second);
            return new Markup[] {row.in("div", first), left};
        }
        return new Markup[] {row.in("div", first), row.in("div", second)};
    }
}
