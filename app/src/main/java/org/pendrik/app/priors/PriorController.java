package org.pendrik.app.priors;

import java.util.List;
import java.util.Map;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.Overrule;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/priors")
class PriorController {
    private final Priors priors;

    PriorController(Priors priors) {
        this.priors = priors;
    }

    record Own(Map<String, String> values) {}

    @GetMapping
    List<Priors.Line> lines() {
        return priors.lines();
    }

    /**
     * What was learned of how a liquid bites a binder here.
     *
     * @param pair the liquid and the binder in words
     * @param solvent a column of the bite table
     * @param factor how much harder than the table, 1 where nothing is known
     * @param low it is above this with 95 %
     * @param high it is below this with 95 %
     * @param observations how many stand behind it
     */
    record SenseLine(
            String pair,
            Binder binder,
            String solvent,
            double factor,
            double low,
            double high,
            int observations) {}

    @GetMapping("/senses")
    List<SenseLine> senses() {
        return priors.senses().entrySet().stream()
                .map(
                        e ->
                                new SenseLine(
                                        e.getKey().spoken(),
                                        e.getKey().binder(),
                                        e.getKey().solvent(),
                                        e.getValue().factor(),
                                        e.getValue().low(),
                                        e.getValue().high(),
                                        e.getValue().observations()))
                .toList();
    }

    @PutMapping("/{table}/{key}")
    List<Priors.Line> overrule(
            @PathVariable Overrule.Table table, @PathVariable String key, @RequestBody Own own) {
        priors.overrule(table, key, own.values());
        return priors.lines();
    }
}
