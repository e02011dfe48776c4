package org.pendrik.benchmarks;

import java.util.Collection;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.CommandLineOptionException;
import org.openjdk.jmh.runner.options.CommandLineOptions;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Runs the benchmarks and says how each stands to its peer or bound. */
public final class Benchmarks {
    private static final double FILM_BOUND_US = 1000;
    private static final double RECTIFY_BOUND_US = 150_000;
    private static final double COMPARE_BOUND_US = 500_000;
    private static final double MEASURE_BOUND_US = 600_000;
    private static final double PLAN_BOUND_US = 500_000;
    private static final double RECIPE_12_BOUND_US = 500_000;
    private static final double RECIPE_20_BOUND_US = 2_000_000;
    private static final double TAKE_BACK_BOUND_US = 50_000;
    private static final double RECIPE_200_BOUND_US = 10_000_000;

    private Benchmarks() {}

    /** Takes the options of the harness. */
    public static void main(String[] args) throws RunnerException, CommandLineOptionException {
        var options = new OptionsBuilder().parent(new CommandLineOptions(args)).build();
        Collection<RunResult> results = new Runner(options).run();
        double film = score(results, "sixtyCoats");
        double rectify = score(results, "RectifyBenchmark.rectify");
        double peer = score(results, "RectifyBenchmark.peer");
        double compare = score(results, "CompareBenchmark.sides");
        double differences = score(results, "CompareBenchmark.differences");
        double published = score(results, "CompareBenchmark.published");
        System.out.println();
        say(
                film,
                String.format(
                        "film check of 60 coats     %8.1f µs   %.2f of the bound of 1 ms%n",
                        film, film / FILM_BOUND_US));
        double anew = score(results, "everyCoatAnew");
        say(
                anew,
                String.format(
                        "  every coat anew          %8.1f µs   the check takes %.3f of it%n",
                        anew, film / anew));
        double back = score(results, "TakeBackBenchmark.takeBack");
        double daily = score(results, "everyWayDayByDay");
        say(
                back,
                String.format(
                        "what takes a coat back     %8.1f ms   %.2f of the bound of 50 ms, %.3f of asking day by day (%.1f ms)%n",
                        back / 1000, back / TAKE_BACK_BOUND_US, back / daily, daily / 1000));
        say(
                rectify,
                String.format(
                        "rectify 12 MP to 2400×800  %8.1f ms   %.2f of OpenCV's warpPerspective (%.1f ms), %.2f of the bound of"
                                + " 150 ms%n",
                        rectify / 1000, rectify / peer, peer / 1000, rectify / RECTIFY_BOUND_US));
        say(
                compare,
                String.format(
                        "compare two sides          %8.1f ms   %.2f of the bound of 500 ms%n",
                        compare / 1000, compare / COMPARE_BOUND_US));
        say(
                differences,
                String.format(
                        "CIEDE2000, 1.2 million     %8.1f ms   %.2f of the formula as published (%.1f ms)%n",
                        differences / 1000, differences / published, published / 1000));
        double measure = score(results, "MeasureBenchmark.measure");
        double sort = score(results, "MeasureBenchmark.sort");
        double register = score(results, "MeasureBenchmark.register");
        say(
                measure,
                String.format(
                        "measure a side            %8.1f ms   %.2f of the bound of 600 ms%n",
                        measure / 1000, measure / MEASURE_BOUND_US));
        say(
                sort,
                String.format(
                        "a counter-sample          %8.1f ms   %.2f of the bound of 500 ms%n",
                        sort / 1000, sort / COMPARE_BOUND_US));
        say(
                register,
                String.format(
                        "lay one side over another %8.1f ms   with the comparison %.2f of its bound of 500 ms%n",
                        register / 1000, (register + compare) / COMPARE_BOUND_US));
        for (RunResult r : results) {
            if (r.getParams().getBenchmark().endsWith("everyOrder")
                    && "6".equals(r.getParams().getParam("effects"))) {
                System.out.printf(
                        "  every order of 6         %8.1f ms%n",
                        r.getPrimaryResult().getScore() / 1000);
            }
            if (r.getParams().getBenchmark().endsWith("PlanBenchmark.plan")) {
                double plan = r.getPrimaryResult().getScore();
                System.out.printf(
                        "plan, %2s effects           %8.1f ms   %.2f of the bound of 500 ms%n",
                        r.getParams().getParam("effects"), plan / 1000, plan / PLAN_BOUND_US);
            }
        }
        recipes(results);
        twoHundred(results);
    }

    /** The search for a recipe beside trying all, as far as that was tried. */
    private static void recipes(Collection<RunResult> results) {
        for (RunResult r : results) {
            if (!r.getParams().getBenchmark().endsWith("RecipeBenchmark.recipe")) {
                continue;
            }
            String drops = r.getParams().getParam("drops");
            String reach = r.getParams().getParam("reach");
            double search = r.getPrimaryResult().getScore();
            double all =
                    results.stream()
                            .filter(o -> o.getParams().getBenchmark().endsWith("someRecipes"))
                            .filter(o -> drops.equals(o.getParams().getParam("drops")))
                            .filter(o -> reach.equals(o.getParams().getParam("reach")))
                            .mapToDouble(
                                    o -> o.getPrimaryResult().getScore() * RecipeBenchmark.ONE_IN)
                            .findFirst()
                            .orElse(Double.NaN);
            double bound = "12".equals(drops) ? RECIPE_12_BOUND_US : RECIPE_20_BOUND_US;
            System.out.printf(
                    "recipe, %s drops, %s  %8.1f ms   %.2f of its bound, %.5f of trying all (%.1f s, scaled)%n",
                    drops, reach, search / 1000, search / bound, search / all, all / 1e6);
        }
    }

    /** The search on a shelf of two hundred. */
    private static void twoHundred(Collection<RunResult> results) {
        for (RunResult r : results) {
            if (r.getParams().getBenchmark().endsWith("TwoHundredBenchmark.recipe")) {
                double search = r.getPrimaryResult().getScore();
                System.out.printf(
                        "recipe, 200 paints, %s %7.1f ms   %.2f of the bound of 10 s%n",
                        r.getParams().getParam("reach"),
                        search / 1000,
                        search / RECIPE_200_BOUND_US);
            }
        }
    }

    /** Prints what was measured, when it was. */
    private static void say(double measured, String line) {
        if (!Double.isNaN(measured)) {
            System.out.print(line);
        }
    }

    private static double score(Collection<RunResult> results, String name) {
        return results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith(name))
                .mapToDouble(r -> r.getPrimaryResult().getScore())
                .findFirst()
                .orElse(Double.NaN);
    }
}
