package org.pendrik.app.priors;

import java.util.List;
import java.util.Map;
import org.pendrik.core.film.Overrule;
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

    @PutMapping("/{table}/{key}")
    List<Priors.Line> overrule(
            @PathVariable Overrule.Table table, @PathVariable String key, @RequestBody Own own) {
        priors.overrule(table, key, own.values());
        return priors.lines();
    }
}
