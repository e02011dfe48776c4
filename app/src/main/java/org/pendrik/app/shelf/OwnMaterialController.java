package org.pendrik.app.shelf;

import java.util.List;
import org.pendrik.core.units.InvalidInput;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class OwnMaterialController {
    private final ShelfStock stock;

    OwnMaterialController(ShelfStock stock) {
        this.stock = stock;
    }

    @GetMapping("/api/materials")
    List<OwnMaterial> all() {
        return stock.materials();
    }

    @PutMapping("/api/materials/{key}")
    List<OwnMaterial> keep(@PathVariable String key, @RequestBody OwnMaterial material) {
        if (!material.key().equals(key) || !key.startsWith("own-")) {
            throw new InvalidInput(
                    "Key", material.key(), "is not that of the address", "Load the page again.");
        }
        stock.keep(material);
        return stock.materials();
    }

    @DeleteMapping("/api/materials/{key}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeAway(@PathVariable String key) {
        stock.setGone(key, true);
    }

    @PostMapping("/api/materials/{key}/restore")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putBack(@PathVariable String key) {
        stock.setGone(key, false);
    }
}
