package org.pendrik.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.Region;

/**
 * All that a region tells.
 *
 * @param base colour of its paint, or of all of it when no paint was sampled; empty when fewer than
 *     9 pixels can be used
 * @param fade against the reference colour, when there is one and the photograph has colour
 * @param cover empty while no classes are sampled
 * @param spots of every class that makes marks and is there
 * @param streaks the same
 * @param places where the marks of each class lie
 * @param dust by height
 * @param along dust along the length; soot on a roof
 * @param clippedShare of its pixels, 0 to 1
 * @param glareShare of its pixels
 * @param excludedShare of its pixels
 * @param blurred a part of it is out of focus
 * @param leftPlaceSdMm how well places at its left end are known, prototype mm
 * @param rightPlaceSdMm the same at its right end
 */
public record MeasuredRegion(
        Region region,
        Optional<ColourSample> base,
        Optional<ColourDifference> fade,
        Optional<Answer<Cover>> cover,
        Map<WeatherClass, Answer<Spots>> spots,
        Map<WeatherClass, Answer<Streaks>> streaks,
        Map<WeatherClass, MarkPlace> places,
        Answer<DustHeight> dust,
        Answer<AlongLength> along,
        double clippedShare,
        double glareShare,
        double excludedShare,
        boolean blurred,
        double leftPlaceSdMm,
        double rightPlaceSdMm) {
    /** The cover, if it was asked and told. */
    public Optional<Cover> toldCover() {
        return cover.flatMap(Answer::told);
    }

    /** The spots of each class that could be measured. */
    public Map<WeatherClass, Spots> toldSpots() {
        return told(spots);
    }

    /** The streaks of each class that could be measured. */
    public Map<WeatherClass, Streaks> toldStreaks() {
        return told(streaks);
    }

    /**
     * What was told of a part of the side, said of the whole.
     *
     * @param onSide the same region, counted from the upper left corner of the whole side
     */
    public MeasuredRegion saidOf(Region onSide) {
        double right = onSide.xMm() - region.xMm();
        return new MeasuredRegion(
                onSide,
                base,
                fade,
                cover,
                spots,
                streaks,
                places,
                dust,
                along.map(a -> a.moved(right)),
                clippedShare,
                glareShare,
                excludedShare,
                blurred,
                leftPlaceSdMm,
                rightPlaceSdMm);
    }

    /** What was asked and could not be measured, a sentence each with what helps. */
    public List<String> refusals() {
        List<Answer<?>> asked = new ArrayList<>();
        cover.ifPresent(asked::add);
        asked.addAll(spots.values());
        asked.addAll(streaks.values());
        asked.add(dust);
        asked.add(along);
        return asked.stream().flatMap(a -> a.refusal().stream()).distinct().toList();
    }

    private static <T> Map<WeatherClass, T> told(Map<WeatherClass, Answer<T>> answers) {
        Map<WeatherClass, T> out = new TreeMap<>();
        answers.forEach((kind, a) -> a.told().ifPresent(t -> out.put(kind, t)));
        return out;
    }
}
