package loesscape.formats.export;

import java.io.IOException;
import loesscape.core.model.Look;
import org.apache.pdfbox.pdmodel.PDPageContentStream;

/** Draws the marks of looks on paper, as lines on a square of 16 units, the same as on the screen. */
final class MarkDrawing {

    /** How far a circle’s control points lie from its quarters, as a part of its radius. */
    private static final float ROUND = 0.5523f;

    private static final float UNITS = 16;

    private final PDPageContentStream page;
    private final float x;
    private final float top;
    private final float scale;

    private MarkDrawing(PDPageContentStream page, float x, float top, float size) {
        this.page = page;
        this.x = x;
        this.top = top;
        this.scale = size / UNITS;
    }

    /** Draws a mark in the stroking colour, with the upper left corner of its square at a place. */
    static void draw(PDPageContentStream page, Look.Mark mark, float x, float top, float size) throws IOException {
        MarkDrawing pen = new MarkDrawing(page, x, top, size);
        page.setLineWidth(1.7f * pen.scale);
        page.setLineCapStyle(1);
        page.setLineJoinStyle(1);
        switch (mark) {
            case NONE -> {
                return;
            }
            case TICK -> pen.lines(2.5f, 8.5f, 6.1f, 12.3f, 13.5f, 3.9f);
            case DROP -> pen.drop();
            case EYE -> pen.eye();
            case WARNING -> {
                pen.lines(8, 2, 14.6f, 13.7f, 1.4f, 13.7f, 8, 2);
                pen.lines(8, 6.4f, 8, 9.7f);
                pen.lines(8, 11.7f, 8, 11.8f);
            }
            case STOP -> {
                pen.circle(6.2f);
                pen.lines(4.8f, 8, 11.2f, 8);
            }
        }
        page.stroke();
    }

    private void drop() throws IOException {
        move(8, 1.8f);
        curve(10.6f, 5.1f, 12.4f, 7.2f, 12.4f, 9.8f);
        float round = 4.4f * ROUND;
        curve(12.4f, 9.8f + round, 8 + round, 14.2f, 8, 14.2f);
        curve(8 - round, 14.2f, 3.6f, 9.8f + round, 3.6f, 9.8f);
        curve(3.6f, 7.2f, 5.4f, 5.1f, 8, 1.8f);
    }

    private void eye() throws IOException {
        move(1.5f, 8);
        curve(5.1f, 2.8f, 10.9f, 2.8f, 14.5f, 8);
        curve(10.9f, 13.2f, 5.1f, 13.2f, 1.5f, 8);
        circle(1.9f);
    }

    private void circle(float radius) throws IOException {
        float round = radius * ROUND;
        move(8 + radius, 8);
        curve(8 + radius, 8 + round, 8 + round, 8 + radius, 8, 8 + radius);
        curve(8 - round, 8 + radius, 8 - radius, 8 + round, 8 - radius, 8);
        curve(8 - radius, 8 - round, 8 - round, 8 - radius, 8, 8 - radius);
        curve(8 + round, 8 - radius, 8 + radius, 8 - round, 8 + radius, 8);
    }

    private void lines(float... points) throws IOException {
        move(points[0], points[1]);
        for (int i = 2; i < points.length; i += 2) {
            page.lineTo(across(points[i]), down(points[i + 1]));
        }
    }

    private void move(float toX, float toY) throws IOException {
        page.moveTo(across(toX), down(toY));
    }

    private void curve(float ax, float ay, float bx, float by, float toX, float toY) throws IOException {
        page.curveTo(across(ax), down(ay), across(bx), down(by), across(toX), down(toY));
    }

    private float across(float units) {
        return x + units * scale;
    }

    private float down(float units) {
        return top - units * scale;
    }
}
