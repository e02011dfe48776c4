package org.pendrik.core.recipe;

/** A K/S by band and lane with the seen reflectance there and its slope over K/S. */
final class Tangent {
    final float[] ratio = new float[BandMath.SIZE];
    final float[] seen = new float[BandMath.SIZE];
    final float[] slope = new float[BandMath.SIZE];
}
