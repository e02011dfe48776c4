package org.pendrik.app.engines;

import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Mends;
import org.pendrik.core.film.Timing;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.plan.PlanCompiler;
import org.pendrik.core.plan.Subjects;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class EnginesConfig {
    @Bean
    Catalogue catalogue() {
        return Catalogue.load();
    }

    @Bean
    Subjects subjects() {
        return new Subjects();
    }

    @Bean
    FilmCheck filmCheck(Catalogue catalogue) {
        return new FilmCheck(catalogue);
    }

    @Bean
    Timing timing(Catalogue catalogue) {
        return new Timing(catalogue);
    }

    @Bean
    Mends mends(Catalogue catalogue) {
        return new Mends(catalogue);
    }

    @Bean
    PlanCompiler planCompiler(Catalogue catalogue) {
        return new PlanCompiler(catalogue);
    }

    @Bean
    PlanCheck planCheck(Catalogue catalogue) {
        return new PlanCheck(catalogue);
    }
}
