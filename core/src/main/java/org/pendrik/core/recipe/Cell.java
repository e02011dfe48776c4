package org.pendrik.core.recipe;

/**
 * A part of the simplex of some paints: its corners, and for each the linear form over drops that
 * says how much of it is in a mix.
 */
final class Cell {
    final Corner[] corners = new Corner[4];
    final double[][] forms = new double[4][4];

    /** The middle of the edge that was halved. */
    final Corner middle = new Corner();

    /** Corners and middle as floats. */
    final Point[] points = new Point[4];

    final Point point = new Point();
}
