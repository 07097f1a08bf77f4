package loesscape.formats.flat;

import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.contentstream.operator.OperatorName;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.util.Matrix;
import org.apache.pdfbox.util.Vector;

/**
 * What is drawn on a page apart from its letters.
 *
 * @param across lines across, as they are drawn
 * @param down lines down
 * @param frames what is drawn as one closed shape
 * @param pictures where pictures lie
 */
record DrawnPage(List<Stroke> across, List<Stroke> down, List<Frame> frames, List<Area> pictures) {

    /**
     * A closed shape.
     *
     * @param isRound whether it is drawn with curves
     * @param isFilled whether it is filled rather than drawn along its edge
     * @param brightness of its colour, from 0, black, to 1, white
     */
    record Frame(Area area, boolean isRound, boolean isFilled, double brightness) {

        boolean isWhite() {
            return brightness > 0.98;
        }
    }

    /** A page that draws more than this has no places that could be told from what it draws. */
    private static final int MOST = 6_000;

    private static final int MOST_OPERATIONS = 400_000;

    /** What is thinner is a line, not a shape. */
    private static final double THICKEST = 2.5;

    private static final double STRAIGHT = 0.6;

    /** Told of a page that draws too much to be looked at. */
    static final class TooMuch extends IOException {

        private static final long serialVersionUID = 1;
    }

    static DrawnPage of(PDPage page) throws IOException {
        Drawing drawing = new Drawing(page);
        drawing.processPage(page);
        return new DrawnPage(drawing.across, drawing.down, drawing.frames, drawing.pictures);
    }

    private static final class Drawing extends PDFGraphicsStreamEngine {

        private final List<Stroke> across = new ArrayList<>();
        private final List<Stroke> down = new ArrayList<>();
        private final List<Frame> frames = new ArrayList<>();
        private final List<Area> pictures = new ArrayList<>();
        private final GeneralPath path = new GeneralPath();
        private final AffineTransform seen;
        private int operations;

        Drawing(PDPage page) {
            super(page);
            seen = seen(page);
        }

        /** From the coordinates of a page to points as it is seen, from its upper left corner (ISO 32000-2, 8.3.2.3). */
        private static AffineTransform seen(PDPage page) {
            PDRectangle box = page.getCropBox();
            AffineTransform seen = new AffineTransform();
            double unit = page.getUserUnit();
            seen.scale(unit, unit);
            switch (Math.floorMod(page.getRotation(), 360)) {
                case 90 -> seen.concatenate(new AffineTransform(0, 1, 1, 0, 0, 0));
                case 180 -> seen.concatenate(new AffineTransform(-1, 0, 0, 1, box.getWidth(), 0));
                case 270 -> seen.concatenate(new AffineTransform(0, -1, -1, 0, box.getHeight(), box.getWidth()));
                default -> seen.concatenate(new AffineTransform(1, 0, 0, -1, 0, box.getHeight()));
            }
            seen.translate(-box.getLowerLeftX(), -box.getLowerLeftY());
            return seen;
        }

        @Override
        protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
            if (++operations > MOST_OPERATIONS || across.size() + down.size() + frames.size() > MOST) {
                throw new TooMuch();
            }
            if (OperatorName.BEGIN_INLINE_IMAGE.equals(operator.getName())) {
                addPicture(); // where it lies is enough: unpacked, it could be of any size
            } else {
                super.processOperator(operator, operands);
            }
        }

        @Override
        public void appendRectangle(Point2D one, Point2D two, Point2D three, Point2D four) {
            path.moveTo(one.getX(), one.getY());
            path.lineTo(two.getX(), two.getY());
            path.lineTo(three.getX(), three.getY());
            path.lineTo(four.getX(), four.getY());
            path.closePath();
        }

        @Override
        public void drawImage(PDImage image) {
            addPicture();
        }

        private void addPicture() {
            Matrix matrix = getGraphicsState().getCurrentTransformationMatrix();
            GeneralPath unit = new GeneralPath(new Rectangle2D.Double(0, 0, 1, 1));
            unit.transform(matrix.createAffineTransform());
            unit.transform(seen);
            Rectangle2D box = unit.getBounds2D();
            pictures.add(new Area(box.getMinX(), box.getMinY(), box.getMaxX(), box.getMaxY()));
        }

        @Override
        public void clip(int rule) {
            // What is cut off is no place either way; boxes that are cut off are seldom drawn.
        }

        @Override
        public void moveTo(float x, float y) {
            path.moveTo(x, y);
        }

        @Override
        public void lineTo(float x, float y) {
            if (path.getCurrentPoint() == null) {
                path.moveTo(x, y);
            } else {
                path.lineTo(x, y);
            }
        }

        @Override
        public void curveTo(float x1, float y1, float x2, float y2, float x, float y) {
            if (path.getCurrentPoint() == null) {
                path.moveTo(x, y);
            } else {
                path.curveTo(x1, y1, x2, y2, x, y);
            }
        }

        @Override
        public Point2D getCurrentPoint() {
            Point2D point = path.getCurrentPoint();
            return point == null ? new Point2D.Float() : point;
        }

        @Override
        public void closePath() {
            if (path.getCurrentPoint() != null) {
                path.closePath();
            }
        }

        @Override
        public void endPath() {
            path.reset();
        }

        @Override
        public void strokePath() {
            take(false);
        }

        @Override
        public void fillPath(int rule) {
            take(true);
        }

        @Override
        public void fillAndStrokePath(int rule) {
            take(false);
        }

        @Override
        public void shadingFill(COSName name) {
            // A run of colours is a background.
        }

        @Override
        protected void showGlyph(Matrix matrix, PDFont font, int code, Vector displacement) {
            // Letters are read elsewhere; how they are drawn is not looked at.
        }

        private double brightness(boolean fill) {
            try {
                int rgb = fill
                        ? getGraphicsState().getNonStrokingColor().toRGB()
                        : getGraphicsState().getStrokingColor().toRGB();
                return (0.3 * (rgb >> 16 & 255) + 0.59 * (rgb >> 8 & 255) + 0.11 * (rgb & 255)) / 255;
            } catch (IOException | RuntimeException unknown) {
                return 0;
            }
        }

        private void take(boolean fill) {
            path.transform(seen);
            double brightness = brightness(fill);
            List<double[]> points = new ArrayList<>();
            boolean isCurved = false;
            boolean isClosed = false;
            double[] next = new double[6];
            for (PathIterator i = path.getPathIterator(null); !i.isDone(); i.next()) {
                switch (i.currentSegment(next)) {
                    case PathIterator.SEG_MOVETO -> {
                        done(points, isCurved, isClosed, fill, brightness);
                        points = new ArrayList<>(List.of(new double[] {next[0], next[1]}));
                        isCurved = false;
                        isClosed = false;
                    }
                    case PathIterator.SEG_LINETO -> points.add(new double[] {next[0], next[1]});
                    case PathIterator.SEG_CUBICTO -> {
                        isCurved = true;
                        points.add(new double[] {next[4], next[5]});
                    }
                    default -> {
                        isClosed = true;
                        points.add(points.getFirst());
                    }
                }
            }
            done(points, isCurved, isClosed, fill, brightness);
            path.reset();
        }

        private void done(List<double[]> points, boolean isCurved, boolean isClosed, boolean fill, double brightness) {
            if (points.size() < 2) {
                return;
            }
            Area box = new Area(
                    points.stream().mapToDouble(p -> p[0]).min().orElse(0),
                    points.stream().mapToDouble(p -> p[1]).min().orElse(0),
                    points.stream().mapToDouble(p -> p[0]).max().orElse(0),
                    points.stream().mapToDouble(p -> p[1]).max().orElse(0));
            double[] first = points.getFirst();
            double[] last = points.getLast();
            boolean isShape =
                    fill || isClosed || (points.size() >= 5 && near(first[0], last[0]) && near(first[1], last[1]));
            // What is filled with white is no line.
            boolean isSeen = !fill || brightness < 0.97;
            boolean isDot = box.width() <= THICKEST && box.height() <= THICKEST;
            if (isShape && isSeen && (isDot || (!isCurved && box.height() <= THICKEST && box.width() > box.height()))) {
                across.add(new Stroke(box.middle(), box.left(), box.right()));
            }
            if (isShape && isSeen && (isDot || (!isCurved && box.width() <= THICKEST && box.height() > box.width()))) {
                down.add(new Stroke(box.centre(), box.top(), box.bottom()));
            }
            boolean isThin = box.width() <= THICKEST || box.height() <= THICKEST;
            if (isShape && (isDot || (isThin && !isCurved))) {
                return;
            }
            if (isCurved || (isShape && isUpright(points))) {
                frames.add(new Frame(box, isCurved, fill, brightness));
                if (!fill && (!isCurved || box.width() > 24)) {
                    edges(box);
                }
            } else if (!fill) {
                pieces(points);
            }
        }

        private static boolean near(double one, double other) {
            return Math.abs(one - other) < STRAIGHT;
        }

        private static boolean isUpright(List<double[]> points) {
            for (int i = 1; i < points.size(); i++) {
                double[] one = points.get(i - 1);
                double[] other = points.get(i);
                if (!near(one[0], other[0]) && !near(one[1], other[1])) {
                    return false;
                }
            }
            return points.size() >= 4;
        }

        private void edges(Area box) {
            across.add(new Stroke(box.top(), box.left(), box.right()));
            across.add(new Stroke(box.bottom(), box.left(), box.right()));
            down.add(new Stroke(box.left(), box.top(), box.bottom()));
            down.add(new Stroke(box.right(), box.top(), box.bottom()));
        }

        private void pieces(List<double[]> points) {
            for (int i = 1; i < points.size(); i++) {
                double[] one = points.get(i - 1);
                double[] other = points.get(i);
                if (near(one[1], other[1])) {
                    across.add(new Stroke(one[1], Math.min(one[0], other[0]), Math.max(one[0], other[0])));
                } else if (near(one[0], other[0])) {
                    down.add(new Stroke(one[0], Math.min(one[1], other[1]), Math.max(one[1], other[1])));
                }
            }
        }
    }
}
