package org.pendrik.app.today;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class TodayController {
    private final Overviews overviews;

    TodayController(Overviews overviews) {
        this.overviews = overviews;
    }

    @GetMapping("/api/today")
    Overviews.Today today() {
        return overviews.today();
    }

    @GetMapping("/api/overview")
    List<Overviews.Card> overview() {
        return overviews.cards();
    }
}
