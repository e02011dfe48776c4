package org.pendrik.app.sides;

import org.jspecify.annotations.Nullable;

/**
 * All that the flat picture of a side hangs on: the photograph, what is marked on it, and how large
 * the side is.
 *
 * @param picture names the content of the photograph
 * @param widthPx upright width of the photograph
 * @param heightPx upright height
 * @param focalPx focal length in photograph pixels; 0 when nobody knows it
 * @param corners of a flat side; null while they are not marked
 * @param known further places of known position
 * @param level level and upright things, where corners are not in the picture
 * @param grey a patch of known colour; null leaves the light as it is
 * @param lent a card in another photograph, which tells the light where nothing in this one does
 * @param lines what is straight on the prototype, to take out the lens
 * @param shell marks on the end circles of a curved side; null while there are none
 */
public record MarkedSide(
        String picture,
        int widthPx,
        int heightPx,
        double focalPx,
        Marks.@Nullable Corners corners,
        Marks.@Nullable KnownPoints known,
        Marks.@Nullable KnownLines level,
        Marks.@Nullable GreyPatch grey,
        Marks.@Nullable LentLight lent,
        Marks.@Nullable StraightLines lines,
        Marks.@Nullable ShellMarks shell,
        SideSize size) {

    /** Whether where the side lies was marked, as its form asks for. */
    public boolean located() {
        return size.curve() == null
                ? corners != null || Marks.needed(known, level).isEmpty()
                : shell != null;
    }
}
