package org.pendrik.app.shelf;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.StepId;
import org.pendrik.core.paint.Fade;
import org.pendrik.core.shelf.GimpPalette;
import org.pendrik.core.shelf.ShelfChanges;
import org.pendrik.core.shelf.Substitutes;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class ShelfController {
    private final Shelf shelf;
    private final Mixing mixing;
    private final ColourSearch colours;
    private final Recipes recipes;
    private final StepMixes steps;

    ShelfController(
            Shelf shelf, Mixing mixing, ColourSearch colours, Recipes recipes, StepMixes steps) {
        this.shelf = shelf;
        this.mixing = mixing;
        this.colours = colours;
        this.recipes = recipes;
        this.steps = steps;
    }

    /** A bottle, and the version that was seen; null for a new one. */
    record BottlePut(@Nullable Integer version, Shelf.BottleDraft bottle) {}

    /** A recipe, and the version that was seen; null for a new one. */
    record RecipePut(@Nullable Integer version, Recipes.RecipeDraft recipe) {}

    /** A table as text. */
    record TableText(String csv) {}

    /** A palette as text, and the family that its colours are of. */
    record PaletteText(String palette, String family) {}

    /** A table made of a palette, and what it would change. */
    record PaletteDry(String csv, ShelfChanges.Dry dry) {}

    /** How many bottles were stored. */
    record Stored(int bottles) {}

    /** What a test card showed, under D65. */
    record CardPut(UUID id, Lab seen) {}

    @GetMapping("/shelf")
    Shelf.ShelfView view() {
        return shelf.view();
    }

    @PutMapping("/shelf/{id}")
    Shelf.BottleView put(@PathVariable UUID id, @RequestBody BottlePut put) {
        return shelf.put(id, put.version(), put.bottle());
    }

    @DeleteMapping("/shelf/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeAway(@PathVariable UUID id, @RequestParam int version) {
        shelf.setGone(id, version, true);
    }

    @PostMapping("/shelf/{id}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putBack(@PathVariable UUID id, @RequestParam int version) {
        shelf.setGone(id, version, false);
    }

    /** How a bottle stands now, be it there or taken away. */
    @GetMapping("/shelf/{id}/standing")
    Shelf.Standing standing(@PathVariable UUID id) {
        return shelf.standing(id);
    }

    @GetMapping("/shelf/{id}/substitutes")
    List<Substitutes.Substitute> substitutes(@PathVariable UUID id) {
        return shelf.substitutes(id);
    }

    @PostMapping("/shelf/table/dry-run")
    ShelfChanges.Dry dryRun(@RequestBody TableText table) {
        return shelf.dry(table.csv());
    }

    @PostMapping("/shelf/table")
    Stored store(@RequestBody TableText table) {
        return new Stored(shelf.store(table.csv()));
    }

    @PostMapping("/shelf/palette/dry-run")
    PaletteDry paletteDryRun(@RequestBody PaletteText text) {
        GimpPalette.Read read = GimpPalette.read(text.palette());
        String csv = shelf.tableOf(read, text.family());
        ShelfChanges.Dry dry = shelf.dry(csv);
        List<org.pendrik.core.shelf.ShelfCsv.Fault> faults =
                new java.util.ArrayList<>(read.faults());
        faults.addAll(dry.faults());
        return new PaletteDry(csv, new ShelfChanges.Dry(dry.changes(), faults));
    }

    @GetMapping(value = "/shelf/table.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv() {
        return file("shelf.csv", shelf.csv());
    }

    @GetMapping(value = "/shelf/palette.gpl", produces = "text/plain;charset=UTF-8")
    ResponseEntity<String> palette() {
        return file("shelf.gpl", shelf.palette());
    }

    private static ResponseEntity<String> file(String name, String text) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(text);
    }

    /** A colour to fade, its surface, and by how much. */
    record FadeQuestion(Lab colour, String surface, double by) {}

    @PostMapping("/mixing/faded")
    Fade.Faded faded(@RequestBody FadeQuestion q) {
        return Fade.of(q.colour(), Shelf.surface(q.surface()), q.by());
    }

    /** What a wanted colour looks like under each lamp. */
    @PostMapping("/mixing/target")
    Mixing.TargetView target(@RequestBody Lab target) {
        return Mixing.target(target);
    }

    @PostMapping("/mixing/look")
    Mixing.CupView look(@RequestBody Mixing.BenchMix mix) {
        return mixing.look(mix);
    }

    @PostMapping("/mixing/search")
    ColourSearch.SearchView search(
            @RequestBody ColourSearch.ShelfSearch search, @RequestParam @Nullable UUID task) {
        return colours.search(search, task);
    }

    @GetMapping("/recipes")
    List<Recipes.RecipeView> recipes() {
        return recipes.all();
    }

    @PutMapping("/recipes/{id}")
    Recipes.RecipeView keep(@PathVariable UUID id, @RequestBody RecipePut put) {
        return recipes.keep(id, put.version(), put.recipe());
    }

    /** How a recipe stands now, be it kept or taken away. */
    @GetMapping("/recipes/{id}/standing")
    Shelf.Standing recipeStanding(@PathVariable UUID id) {
        return recipes.standing(id);
    }

    @DeleteMapping("/recipes/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forget(@PathVariable UUID id, @RequestParam int version) {
        recipes.setGone(id, version, true);
    }

    @PostMapping("/recipes/{id}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remember(@PathVariable UUID id, @RequestParam int version) {
        recipes.setGone(id, version, false);
    }

    @PutMapping("/recipes/{id}/cards")
    Recipes.RecipeView card(@PathVariable UUID id, @RequestBody CardPut card) {
        return recipes.card(id, card.id(), card.seen());
    }

    @DeleteMapping("/recipes/{id}/cards/{card}")
    Recipes.RecipeView uncard(@PathVariable UUID id, @PathVariable UUID card) {
        return recipes.uncard(id, card);
    }

    /** A recipe for a step; null for the bottle of its material. */
    record StepRecipePut(@Nullable UUID recipe) {}

    @PutMapping("/jobs/{jobId}/steps/{stepId}/recipe")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void mixBy(
            @PathVariable UUID jobId, @PathVariable StepId stepId, @RequestBody StepRecipePut put) {
        steps.link(jobId, stepId, put.recipe());
    }
}
