package org.pendrik.app.shelf;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.problem.NotFound;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Stock;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.units.InvalidInput;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Bottles, kept recipes and materials of the workshop's own as materials of the engines, so that
 * effects and steps can be made with them. What was taken away stays, for the plans that have it.
 */
@Service
public class ShelfStock implements SmartInitializingSingleton {
    private static final int MOST = 500;

    private final ShelfMapper shelf;
    private final OwnMaterialMapper own;
    private final Engines engines;

    ShelfStock(ShelfMapper shelf, OwnMaterialMapper own, Engines engines) {
        this.shelf = shelf;
        this.own = own;
        this.engines = engines;
    }

    @Override
    public void afterSingletonsInstantiated() {
        engines.stock(all());
    }

    /** The key under which a bottle is a material. */
    public static String keyOfBottle(UUID id) {
        return "bottle-" + id;
    }

    /** The key under which a kept recipe is a material. */
    public static String keyOfRecipe(UUID id) {
        return "recipe-" + id;
    }

    /** The materials of the workshop's own that stand to be chosen. */
    public List<OwnMaterial> materials() {
        return own.all().stream().filter(m -> !Boolean.TRUE.equals(m.gone())).toList();
    }

    /** Keeps a material of the workshop's own, or changes it. */
    @Transactional
    public void keep(OwnMaterial m) {
        if (engines.catalogue().materials().stream()
                .noneMatch(x -> x.deposits() && x.family().equalsIgnoreCase(m.family()))) {
            throw new InvalidInput(
                    "Family of " + m.name(),
                    m.family(),
                    "is none that the program knows how it dries",
                    "Choose one of the list: it gives what you do not fill in.");
        }
        if (own.all().size() >= MOST) {
            throw new InvalidInput(
                    "Materials", "" + MOST, "are as many as there can be", "Change one of them.");
        }
        own.drop(m.key());
        own.add(m);
        useWhenStored();
    }

    /** Takes one away, or puts it back. */
    @Transactional
    public void setGone(String key, boolean gone) {
        if (own.setGone(key, gone) != 1) {
            throw new NotFound("The material");
        }
        useWhenStored();
    }

    /**
     * Keeps a material that came with a record; the engines know it at once, and no longer when
     * this transaction is not stored.
     */
    @Transactional
    public void bring(Stock s) {
        own.add(
                new OwnMaterial(
                        s.key(),
                        s.name(),
                        s.family(),
                        s.clear(),
                        null,
                        s.colour().map(Srgb::toHex).orElse(null),
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        false));
        List<Stock> before = List.copyOf(engines.catalogue().stocks());
        engines.stock(all());
        TransactionSynchronizationManager.registerSynchronization(
                new TransactionSynchronization() {
                    @Override
                    public void afterCompletion(int status) {
                        if (status != STATUS_COMMITTED) {
                            engines.stock(before);
                        }
                    }
                });
    }

    /** From when this transaction is stored the engines know what it changed. */
    void useWhenStored() {
        List<Stock> fresh = all();
        TransactionSynchronizationManager.registerSynchronization(
                new TransactionSynchronization() {
                    @Override
                    public void afterCommit() {
                        engines.stock(fresh);
                    }
                });
    }

    private List<Stock> all() {
        List<Stock> out = new ArrayList<>();
        Map<String, Bottle> bottles = new java.util.LinkedHashMap<>();
        for (ShelfMapper.BottleRow r : shelf.bottles()) {
            Bottle b = r.bottle();
            bottles.put(r.id().toString(), b);
            if (b.kind() != Bottle.Kind.LIQUID) {
                out.add(
                        new Stock(
                                keyOfBottle(r.id()),
                                b.name(),
                                b.family(),
                                b.kind() == Bottle.Kind.CLEAR,
                                finish(b.finish()),
                                b.colour(),
                                Optional.empty(),
                                Optional.empty()));
            }
        }
        List<ShelfMapper.PartRow> parts = shelf.parts();
        for (OwnMaterialMapper.Named r : own.recipes()) {
            List<Mixing.Drops> drops = Recipes.drops(r.id(), parts);
            Optional<Bottle> main =
                    drops.stream()
                            .max(java.util.Comparator.comparingInt(Mixing.Drops::drops))
                            .map(d -> bottles.get(d.bottle().toString()));
            if (main.isPresent()) {
                Recipe mix = Mixing.recipe(drops, r.surface(), bottles);
                out.add(
                        new Stock(
                                keyOfRecipe(r.id()),
                                r.name(),
                                main.get().family(),
                                false,
                                finish(main.get().finish()),
                                Optional.of(Light.D65.lab(mix.seen())),
                                Optional.empty(),
                                Optional.empty()));
            }
        }
        own.all().forEach(m -> out.add(m.stock()));
        return List.copyOf(out);
    }

    /** A surface of the shelf by the finish of the film engine. */
    private static Optional<Finish> finish(String surface) {
        return switch (surface.toLowerCase(Locale.ROOT)) {
            case "gloss" -> Optional.of(Finish.GLOSS);
            case "semi-gloss" -> Optional.of(Finish.SEMI_GLOSS);
            case "satin" -> Optional.of(Finish.SATIN);
            case "flat" -> Optional.of(Finish.FLAT);
            case "dead flat" -> Optional.of(Finish.MATTE);
            default -> Optional.empty();
        };
    }
}
