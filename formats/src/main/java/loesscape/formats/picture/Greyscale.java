package loesscape.formats.picture;

import java.awt.image.BufferedImage;

/** Pictures without colours take a third of the room. */
public final class Greyscale {

    private Greyscale() {}

    /** The same picture, in shades of grey where it has no other colours. */
    public static BufferedImage where(BufferedImage coloured) {
        int width = coloured.getWidth();
        int[] row = new int[width];
        BufferedImage grey = new BufferedImage(width, coloured.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < coloured.getHeight(); y++) {
            coloured.getRGB(0, y, width, 1, row, 0, width);
            for (int x = 0; x < width; x++) {
                int blue = row[x] & 0xff;
                if ((row[x] >> 8 & 0xff) != blue || (row[x] >> 16 & 0xff) != blue) {
                    return coloured;
                }
                row[x] = blue;
            }
            grey.getRaster().setSamples(0, y, width, 1, 0, row);
        }
        return grey;
    }
}
