package org.pendrik.app.engines;

import org.pendrik.core.plan.Subjects;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class EnginesConfig {
    @Bean
    Subjects subjects() {
        return new Subjects();
    }
}
