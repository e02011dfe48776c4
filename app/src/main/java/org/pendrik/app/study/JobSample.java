package org.pendrik.app.study;

import java.util.UUID;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.Region;

/**
 * A place on a photograph's flat side that a person says shows a class.
 *
 * @param photographId the photograph that it was picked on
 */
public record JobSample(
        UUID id,
        UUID photographId,
        WeatherClass kind,
        double xMm,
        double yMm,
        double widthMm,
        double heightMm) {
    public JobSample {
        new Region(kind.label(), xMm, yMm, widthMm, heightMm);
    }

    /** The same on another photograph. */
    public JobSample on(UUID photograph) {
        return new JobSample(id, photograph, kind, xMm, yMm, widthMm, heightMm);
    }

    ClassSample sample() {
        return new ClassSample(
                kind, new Region("sample of " + kind.label(), xMm, yMm, widthMm, heightMm));
    }
}
