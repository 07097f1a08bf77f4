package loesscape.core.reach;

import java.util.List;
import loesscape.core.analysis.proof.AnswerPiece;

/**
 * One follower by the answers to two fields, without what these refuse.
 *
 * @param column what it is about
 * @param rows the parts of the answers to the one
 * @param other the key of the other
 * @param across the parts of its answers
 * @param cells by row, then across
 */
public record ReachAcross(
        ReachColumn column,
        List<AnswerPiece> rows,
        String other,
        List<AnswerPiece> across,
        List<List<ReachCell>> cells) {

    public ReachAcross {
        rows = List.copyOf(rows);
        across = List.copyOf(across);
        cells = cells.stream().map(List::copyOf).toList();
    }
}
