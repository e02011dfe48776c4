package org.pendrik.core.measure;

import org.pendrik.core.photo.Region;

/**
 * A place that a person says shows a class.
 *
 * @param kind the class
 * @param region where, on the side, prototype mm
 */
public record ClassSample(WeatherClass kind, Region region) {}
