package org.pendrik.app.about;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class AboutController {
    private final Licences licences;

    AboutController(Licences licences) {
        this.licences = licences;
    }

    /** The licences of fonts, scripts and libraries that ship with the program. */
    @GetMapping("/api/licences")
    List<Licences.LicenceView> licences() {
        return licences.all();
    }
}
