package org.pendrik.app.truth;

import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** Many rendered photographs with known truth, measured as a user would. */
public class PhotoTruthTest {
    private static final int PHOTOGRAPHS = Integer.getInteger("truth.photographs", 64);

    @Test
    public void measuresComeOutAsTheyAre() {
        List<TruthTrial> trials =
                IntStream.range(0, PHOTOGRAPHS).parallel().mapToObj(TruthTrial::new).toList();
        Map<String, List<TruthTrial.Result>> by = new LinkedHashMap<>();
        Map<String, Integer> refusals = new LinkedHashMap<>();
        for (TruthTrial t : trials) {
            t.results()
                    .forEach(r -> by.computeIfAbsent(r.measure(), k -> new ArrayList<>()).add(r));
            t.refusals().forEach(r -> refusals.merge(r, 1, Integer::sum));
        }
        by.forEach(
                (k, v) -> {
                    double[] e =
                            v.stream().mapToDouble(r -> Math.abs(r.error())).sorted().toArray();
                    double bias =
                            v.stream().mapToDouble(TruthTrial.Result::error).average().orElse(0);
                    long in = v.stream().filter(TruthTrial.Result::covered).count();
                    System.out.printf(
                            "%-30s n %4d  median %.3f  p95 %.3f  worst %.3f  bias %.3f  covered %.1f %%  told %.3f%n",
                            k,
                            e.length,
                            e[e.length / 2],
                            e[(int) (e.length * 0.95)],
                            e[e.length - 1],
                            bias,
                            100.0 * in / e.length,
                            v.stream()
                                    .mapToDouble(TruthTrial.Result::told)
                                    .sorted()
                                    .toArray()[e.length / 2]);
                });
        System.out.println(refusals);
        assertTrue(trials.size() >= 60);
    }
}
