package org.pendrik.app.workshop;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class WorkshopController {
    private final Workshops workshops;

    WorkshopController(Workshops workshops) {
        this.workshops = workshops;
    }

    @GetMapping("/api/workshop")
    Workshop current() {
        return workshops.current();
    }

    @PutMapping("/api/workshop")
    Workshop save(@RequestBody Workshop changed) {
        return workshops.save(changed);
    }
}
