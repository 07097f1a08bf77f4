package loesscape.formats.paper;

import java.awt.Color;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.evaluation.Content.Block;
import loesscape.core.evaluation.Content.Line;
import loesscape.core.evaluation.FilledPage;
import loesscape.core.evaluation.FilledPage.Ink;
import loesscape.core.model.Lettering;
import loesscape.core.model.Look;
import loesscape.core.model.Place;
import loesscape.formats.form.SheetFile;
import loesscape.formats.paper.SheetLetters.SetLine;
import loesscape.formats.picture.SafePicture;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** Draws filled pages: the sheet, and on it what was answered, each at its place. */
final class SheetDrawing {

    private static final double POINTS = 72 / 2540.0;
    private static final double INSET = 1.6;
    private static final Color INK = new Color(0x14, 0x2a, 0x52);
    private static final Pattern PEN_STEP = Pattern.compile("([ML])?\\s*(\\d+(?:\\.\\d+)?)[ ,](\\d+(?:\\.\\d+)?)");
    private static final float PEN_WIDTH = 320;
    private static final float PEN_HEIGHT = 96;

    /** How far the control points of a quarter of an ellipse lie along its tangents. */
    private static final double ROUND = 0.5523;

    private final PDDocument document;
    private final PrintedRecord.Pictures pictures;
    private final SheetLetters letters;
    private final SheetTags tags;
    private final PaperWords words;
    private final LayerUtility layers;
    private final LentSheets sheets = new LentSheets();
    private final List<Line> rest = new ArrayList<>();

    SheetDrawing(
            PDDocument document, LentFonts fonts, PrintedRecord.Pictures pictures, PaperWords words, SheetTags tags) {
        this.document = document;
        this.pictures = pictures;
        this.words = words;
        this.tags = tags;
        this.letters = new SheetLetters(document, fonts);
        this.layers = new LayerUtility(document);
    }

    /** Adds pages to the document; tells what did not fit at its place, to be told whole behind them. */
    List<Block> draw(List<FilledPage> pages) throws IOException {
        try (sheets) {
            for (FilledPage page : pages) {
                draw(page);
            }
        }
        return rest.isEmpty() ? List.of() : List.of(new Block.Lines(words.of("whole"), 1, "", rest));
    }

    private void draw(FilledPage filled) throws IOException {
        float width = (float) (filled.sheet().width() * POINTS);
        float height = (float) (filled.sheet().height() * POINTS);
        PDPage page = new PDPage(new PDRectangle(width, height));
        page.getCOSObject().setName(COSName.getPDFName("Tabs"), "S");
        document.addPage(page);
        tags.begin(page);
        try (PDPageContentStream drawing = new PDPageContentStream(document, page)) {
            sheet(drawing, filled, page.getMediaBox());
            for (Ink ink : filled.inks()) {
                Box box = Box.of(ink.place(), height);
                ink(drawing, ink, box);
            }
        }
    }

    /** A place in points, from the lower left corner of its page. */
    private record Box(double left, double bottom, double width, double height) {

        static Box of(Place place, double page) {
            return new Box(
                    place.left() * POINTS,
                    page - (place.top() + place.height()) * POINTS,
                    place.width() * POINTS,
                    place.height() * POINTS);
        }

        PDRectangle rectangle() {
            return new PDRectangle((float) left, (float) bottom, (float) width, (float) height);
        }
    }

    private void sheet(PDPageContentStream drawing, FilledPage filled, PDRectangle whole) throws IOException {
        byte[] content = pictures.sheets().get(filled.sheet().file());
        if (content == null) {
            throw new IllegalStateException("The pages that the document is written on are not there");
        }
        PDDocument sheet = sheets.of(content);
        PDPage printed = sheet.getPage(filled.sheet().number());
        String text = SheetFile.text(printed);
        drawing.beginMarkedContent(
                COSName.getPDFName("Figure"),
                tags.next(
                        "Figure",
                        text.isEmpty()
                                ? words.of(
                                        "sheet", String.valueOf(filled.sheet().number() + 1))
                                : text,
                        whole));
        drawing.drawForm(layers.importPageAsForm(sheet, printed));
        drawing.endMarkedContent();
    }

    private void ink(PDPageContentStream drawing, Ink ink, Box box) throws IOException {
        drawing.saveGraphicsState();
        drawing.setStrokingColor(INK);
        drawing.setNonStrokingColor(INK);
        switch (ink) {
            case Ink.Lettered it -> lettered(drawing, it, box);
            case Ink.Ticked it -> {
                begin(drawing, "Figure", it.label() + ": " + it.choice(), box);
                tick(drawing, it.tick(), box);
                drawing.endMarkedContent();
            }
            case Ink.SignedHere it -> signed(drawing, it, box);
            case Ink.PicturedHere it -> {
                SafePicture picture = it.file().isEmpty()
                        ? pictures.ofTemplate().get(it.picture())
                        : pictures.handedIn().get(it.file());
                if (picture != null) {
                    begin(drawing, "Figure", it.label().isEmpty() ? words.of("picture") : it.label(), box);
                    place(drawing, image(picture), box);
                    drawing.endMarkedContent();
                }
            }
            case Ink.Drawn it -> drawn(drawing, it, box);
        }
        drawing.restoreGraphicsState();
    }

    private void begin(PDPageContentStream drawing, String type, String words, Box box) throws IOException {
        PDRectangle figure = type.equals("Figure") ? box.rectangle() : null;
        drawing.beginMarkedContent(COSName.getPDFName(type), tags.next(type, words, figure));
    }

    private void lettered(PDPageContentStream drawing, Ink.Lettered ink, Box box) throws IOException {
        Look.Colours colours = ink.look().colours() != null
                ? ink.look().colours()
                : ink.look().shade().colours();
        if (colours != null) {
            drawing.beginMarkedContent(COSName.ARTIFACT);
            drawing.setNonStrokingColor(Color.decode(colours.fill()));
            drawing.addRect((float) box.left(), (float) box.bottom(), (float) box.width(), (float) box.height());
            drawing.fill();
            drawing.endMarkedContent();
            drawing.setNonStrokingColor(Color.decode(colours.text()));
        }
        String said = ink.look().words().isEmpty()
                ? ink.text()
                : ink.text() + " (" + ink.look().words() + ")";
        Lettering lettering = ink.place().lettering();
        begin(drawing, "P", ink.label().isEmpty() ? "" : ink.label() + ": " + said, box);
        boolean isWhole = lettering.cells() > 0 ? cells(drawing, said, lettering, box) : lines(drawing, said, ink, box);
        drawing.endMarkedContent();
        if (!isWhole) {
            rest.add(Line.Answer.of("", ink.label(), said, ink.look()));
        }
    }

    private boolean cells(PDPageContentStream drawing, String text, Lettering lettering, Box box) throws IOException {
        int[] signs = inCells(text, lettering.cells()).codePoints().toArray();
        double cell = box.width() / lettering.cells();
        double size = lettering.size() > 0
                ? lettering.size() / 10.0
                : Math.min(12, Math.min(box.height() * 0.75, cell * 1.25));
        int count = Math.min(signs.length, lettering.cells());
        int first = switch (lettering.alignment()) {
            case START -> 0;
            case MIDDLE -> (lettering.cells() - count) / 2;
            case END -> lettering.cells() - count;
        };
        for (int i = 0; i < count; i++) {
            SetLine sign = letters.line(Character.toString(signs[i]), false);
            letters.write(
                    drawing,
                    sign,
                    size,
                    box.left() + (first + i) * cell + (cell - sign.width() * size) / 2,
                    baseline(box, size));
        }
        return signs.length <= lettering.cells();
    }

    /** Where the signs are too many, those that only part the others are left out first: a cell is for a letter or digit. */
    private static String inCells(String text, int cells) {
        return text.codePointCount(0, text.length()) <= cells ? text : text.replaceAll("[^\\p{L}\\p{N}]", "");
    }

    private static double baseline(Box box, double size) {
        return box.bottom() + (box.height() - size * 0.7) / 2;
    }

    private boolean lines(PDPageContentStream drawing, String text, Ink.Lettered ink, Box box) throws IOException {
        double inside = Math.max(1, box.width() - 2 * INSET);
        FittedText fitted = FittedText.of(
                letters,
                text,
                ink.place().lettering(),
                ink.look().bold(),
                inside,
                Math.max(1, box.height() - (ink.place().lettering().lines() ? INSET : 0)));
        double size = fitted.size();
        double y = ink.place().lettering().lines()
                ? box.bottom() + box.height() - INSET / 2 - size * 0.92
                : baseline(box, size);
        for (SetLine line : fitted.lines()) {
            double free = inside - line.width() * size;
            double shift = switch (ink.place().lettering().alignment()) {
                case START -> line.isRightToLeft() ? free : 0;
                case MIDDLE -> free / 2;
                case END -> line.isRightToLeft() ? 0 : free;
            };
            letters.write(drawing, line, size, box.left() + INSET + shift, y);
            y -= size * FittedText.LEADING;
        }
        return fitted.isWhole();
    }

    private static void tick(PDPageContentStream drawing, Lettering.Tick tick, Box box) throws IOException {
        double side = Math.min(box.width(), box.height());
        double left = box.left() + (box.width() - side) / 2;
        double bottom = box.bottom() + (box.height() - side) / 2;
        drawing.setLineWidth((float) Math.clamp(side * 0.12, 0.6, 2));
        drawing.setLineCapStyle(1);
        drawing.setLineJoinStyle(1);
        switch (tick) {
            case CROSS -> {
                path(drawing, left, bottom, side, 0.2, 0.2, 0.8, 0.8);
                path(drawing, left, bottom, side, 0.2, 0.8, 0.8, 0.2);
                drawing.stroke();
            }
            case TICK -> {
                path(drawing, left, bottom, side, 0.18, 0.52, 0.42, 0.24, 0.84, 0.8);
                drawing.stroke();
            }
            case DOT -> {
                ellipse(drawing, new Box(left + side * 0.25, bottom + side * 0.25, side / 2, side / 2));
                drawing.fill();
            }
            case RING -> {
                drawing.setLineWidth(1.2f);
                ellipse(drawing, box);
                drawing.stroke();
            }
        }
    }

    /** A line through points that are told as parts of a square. */
    private static void path(PDPageContentStream drawing, double left, double bottom, double side, double... points)
            throws IOException {
        for (int i = 0; i < points.length; i += 2) {
            float x = (float) (left + points[i] * side);
            float y = (float) (bottom + points[i + 1] * side);
            if (i == 0) {
                drawing.moveTo(x, y);
            } else {
                drawing.lineTo(x, y);
            }
        }
    }

    private static void ellipse(PDPageContentStream drawing, Box box) throws IOException {
        double rx = box.width() / 2;
        double ry = box.height() / 2;
        double x = box.left() + rx;
        double y = box.bottom() + ry;
        drawing.moveTo((float) (x + rx), (float) y);
        quarter(drawing, x + rx, y + ry * ROUND, x + rx * ROUND, y + ry, x, y + ry);
        quarter(drawing, x - rx * ROUND, y + ry, x - rx, y + ry * ROUND, x - rx, y);
        quarter(drawing, x - rx, y - ry * ROUND, x - rx * ROUND, y - ry, x, y - ry);
        quarter(drawing, x + rx * ROUND, y - ry, x + rx, y - ry * ROUND, x + rx, y);
        drawing.closePath();
    }

    private static void quarter(PDPageContentStream drawing, double... points) throws IOException {
        drawing.curveTo(
                (float) points[0], (float) points[1], (float) points[2], (float) points[3], (float) points[4], (float)
                        points[5]);
    }

    private void signed(PDPageContentStream drawing, Ink.SignedHere ink, Box box) throws IOException {
        String said = words.of("signature", ink.label());
        if (!Drawings.isDrawn(ink.signed())) {
            begin(drawing, "P", said + ": " + ink.signed(), box);
            lines(drawing, ink.signed(), new Ink.Lettered(ink.place(), ink.label(), ink.signed(), Look.PLAIN), box);
            drawing.endMarkedContent();
            return;
        }
        begin(drawing, "Figure", said, box);
        if (ink.signed().startsWith("data:")) {
            byte[] picture = Base64.getDecoder()
                    .decode(ink.signed().substring(ink.signed().indexOf(',') + 1));
            place(drawing, PDImageXObject.createFromByteArray(document, picture, "signature"), box);
        } else {
            pen(drawing, ink.signed(), box);
        }
        drawing.endMarkedContent();
    }

    private static void pen(PDPageContentStream drawing, String path, Box box) throws IOException {
        double scale = Math.min(box.width() / PEN_WIDTH, box.height() / PEN_HEIGHT);
        double top = box.bottom() + (box.height() + PEN_HEIGHT * scale) / 2;
        drawing.setLineWidth((float) Math.max(0.5, 2.5 * scale));
        drawing.setLineCapStyle(1);
        drawing.setLineJoinStyle(1);
        Matcher steps = PEN_STEP.matcher(path);
        boolean isOpen = false;
        while (steps.find()) {
            float x = (float) (box.left() + Double.parseDouble(steps.group(2)) * scale);
            float y = (float) (top - Double.parseDouble(steps.group(3)) * scale);
            if ("M".equals(steps.group(1)) || !isOpen) {
                drawing.moveTo(x, y);
                // A dot is a line of no length, which round caps make visible.
                drawing.lineTo(x, y);
                isOpen = true;
            } else {
                drawing.lineTo(x, y);
            }
        }
        drawing.stroke();
    }

    private PDImageXObject image(SafePicture picture) throws IOException {
        return picture.media().equals("image/svg+xml")
                ? LosslessFactory.createFromImage(document, InlineDrawing.painted(picture.content()))
                : PDImageXObject.createFromByteArray(document, picture.content(), picture.name());
    }

    private static void place(PDPageContentStream drawing, PDImageXObject image, Box box) throws IOException {
        double scale = Math.min(box.width() / image.getWidth(), box.height() / image.getHeight());
        double width = image.getWidth() * scale;
        double height = image.getHeight() * scale;
        drawing.drawImage(
                image,
                (float) (box.left() + (box.width() - width) / 2),
                (float) (box.bottom() + (box.height() - height) / 2),
                (float) width,
                (float) height);
    }

    private void drawn(PDPageContentStream drawing, Ink.Drawn ink, Box box) throws IOException {
        switch (ink.shape()) {
            case STROKE -> {
                begin(drawing, "Figure", words.of("struck", ink.label()), box);
                drawing.setLineWidth(1.2f);
                // A block is struck out across, a line along.
                boolean isBlock = box.height() > 24;
                double middle = box.bottom() + box.height() / 2;
                drawing.moveTo((float) box.left(), (float) (isBlock ? box.bottom() : middle));
                drawing.lineTo(
                        (float) (box.left() + box.width()), (float) (isBlock ? box.bottom() + box.height() : middle));
                drawing.stroke();
                drawing.endMarkedContent();
            }
            case RING -> {
                begin(drawing, "Figure", words.of("ringed", ink.label()), box);
                drawing.setLineWidth(1.2f);
                ellipse(drawing, box);
                drawing.stroke();
                drawing.endMarkedContent();
            }
            case COVER -> {
                begin(drawing, "Figure", words.of("covered", ink.label()), box);
                drawing.setNonStrokingColor(Color.WHITE);
                drawing.addRect((float) box.left(), (float) box.bottom(), (float) box.width(), (float) box.height());
                drawing.fill();
                drawing.setNonStrokingColor(INK);
                drawing.endMarkedContent();
                if (!ink.words().isEmpty()) {
                    Place place = ink.place()
                            .withLettering(new Lettering(
                                    ink.place().lettering().size(),
                                    0,
                                    true,
                                    Lettering.Alignment.MIDDLE,
                                    Lettering.Tick.CROSS));
                    begin(drawing, "P", "", box);
                    boolean isWhole =
                            lines(drawing, ink.words(), new Ink.Lettered(place, "", ink.words(), Look.PLAIN), box);
                    drawing.endMarkedContent();
                    if (!isWhole) {
                        rest.add(Line.Answer.of("", ink.label(), ink.words(), Look.PLAIN));
                    }
                }
            }
        }
    }
}
