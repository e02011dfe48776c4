package org.pendrik.app.shelf;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.MapperBean;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.film.StepId;
import org.pendrik.core.paint.Light;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.shelf.Swatch;
import org.springframework.stereotype.Component;

interface ShelfMapper {
    @Component
    class Bean extends MapperBean<ShelfMapper> {
        Bean() {
            super(ShelfMapper.class);
        }
    }

    /** A bottle as it is kept. */
    record BottleRow(
            UUID id,
            int version,
            boolean gone,
            String name,
            String maker,
            String family,
            Bottle.Kind kind,
            String finish,
            @Nullable Double colourL,
            @Nullable Double colourA,
            @Nullable Double colourB,
            Bottle.Source colourSource,
            double hiding,
            double amountMl,
            double fullMl,
            @Nullable LocalDate openedOn,
            @Nullable LocalDate keepsUntil,
            double pricePerMl,
            String place,
            double dropMl,
            double strength,
            String notes,
            String swatches) {
        static BottleRow of(UUID id, int version, Bottle b) {
            Lab c = b.colour().orElse(null);
            return new BottleRow(
                    id,
                    version,
                    false,
                    b.name(),
                    b.maker(),
                    b.family(),
                    b.kind(),
                    b.finish(),
                    c == null ? null : c.l(),
                    c == null ? null : c.a(),
                    c == null ? null : c.b(),
                    b.source(),
                    b.hiding(),
                    b.amountMl(),
                    b.fullMl(),
                    b.opened().orElse(null),
                    b.keepsUntil().orElse(null),
                    b.pricePerMl(),
                    b.place(),
                    b.dropMl(),
                    b.strength(),
                    b.notes(),
                    Swatch.write(b.swatches()));
        }

        Bottle bottle() {
            Optional<Lab> colour =
                    colourL == null || colourA == null || colourB == null
                            ? Optional.empty()
                            : Optional.of(new Lab(colourL, colourA, colourB));
            return new Bottle(
                    name,
                    maker,
                    family,
                    kind,
                    finish,
                    colour,
                    colourSource,
                    hiding,
                    amountMl,
                    fullMl,
                    Optional.ofNullable(openedOn),
                    Optional.ofNullable(keepsUntil),
                    pricePerMl,
                    place,
                    dropMl,
                    strength,
                    notes,
                    Swatch.read(swatches));
        }
    }

    @Select(
            """
            select id, version, gone, name, maker, family, kind, finish, colour_l, colour_a, colour_b, colour_source,
                   hiding, amount_ml, full_ml, opened_on, keeps_until, price_per_ml, place, drop_ml, strength, notes,
                   swatches
            from bottle order by name, maker, id
            """)
    List<BottleRow> bottles();

    @Insert(
            """
            insert into bottle (id, version, gone, name, maker, family, kind, finish, colour_l, colour_a, colour_b,
                                colour_source, hiding, amount_ml, full_ml, opened_on, keeps_until, price_per_ml, place,
                                drop_ml, strength, notes, swatches)
            values (#{id}, #{version}, #{gone}, #{name}, #{maker}, #{family}, #{kind}, #{finish}, #{colourL}, #{colourA},
                    #{colourB}, #{colourSource}, #{hiding}, #{amountMl}, #{fullMl}, #{openedOn}, #{keepsUntil},
                    #{pricePerMl}, #{place}, #{dropMl}, #{strength}, #{notes},
                    #{swatches})
            """)
    void add(BottleRow b);

    @Update(
            """
            update bottle set version = version + 1, gone = #{gone}, name = #{name}, maker = #{maker}, family = #{family},
                kind = #{kind}, finish = #{finish}, colour_l = #{colourL}, colour_a = #{colourA}, colour_b = #{colourB},
                colour_source = #{colourSource}, hiding = #{hiding}, amount_ml = #{amountMl}, full_ml = #{fullMl},
                opened_on = #{openedOn}, keeps_until = #{keepsUntil}, price_per_ml = #{pricePerMl}, place = #{place},
                drop_ml = #{dropMl}, strength = #{strength}, notes = #{notes},
                swatches = #{swatches}
            where id = #{id} and version = #{version}
            """)
    int change(BottleRow b);

    @Update(
            "update bottle set version = version + 1, gone = #{gone} where id = #{id} and version = #{version}")
    int setGone(@Param("id") UUID id, @Param("version") int version, @Param("gone") boolean gone);

    @Update("update bottle set version = version + 1, strength = #{strength} where id = #{id}")
    int teach(@Param("id") UUID id, @Param("strength") double strength);

    /** A recipe as it is kept. */
    record RecipeRow(
            UUID id,
            int version,
            boolean gone,
            String name,
            double targetL,
            double targetA,
            double targetB,
            Light light,
            String surface,
            @Nullable UUID jobId,
            @Nullable StepId stepId,
            Instant madeOn,
            String notes) {}

    /** Drops of a bottle in a recipe. */
    record PartRow(UUID recipeId, int place, UUID bottleId, int drops) {}

    /** A test card as it is kept. */
    record CardRow(
            UUID id,
            UUID recipeId,
            double seenL,
            double seenA,
            double seenB,
            double predictedL,
            double predictedA,
            double predictedB,
            double leftOver,
            Instant notedAt,
            String taught) {}

    @Select(
            """
            select id, version, gone, name, target_l, target_a, target_b, light, surface, job_id, step_id, made_on, notes
            from recipe where not gone order by made_on desc, id
            """)
    List<RecipeRow> recipes();

    @Select(
            """
            select id, version, gone, name, target_l, target_a, target_b, light, surface, job_id, step_id, made_on, notes
            from recipe where id = #{id}
            """)
    Optional<RecipeRow> recipe(UUID id);

    @Select("select recipe_id, place, bottle_id, drops from recipe_part order by recipe_id, place")
    List<PartRow> parts();

    @Insert(
            """
            insert into recipe (id, version, gone, name, target_l, target_a, target_b, light, surface, job_id, step_id,
                                made_on, notes)
            values (#{id}, #{version}, #{gone}, #{name}, #{targetL}, #{targetA}, #{targetB}, #{light}, #{surface}, #{jobId},
                    #{stepId}, #{madeOn}, #{notes})
            """)
    void addRecipe(RecipeRow r);

    @Update(
            """
            update recipe set version = version + 1, gone = #{gone}, name = #{name}, target_l = #{targetL},
                target_a = #{targetA}, target_b = #{targetB}, light = #{light}, surface = #{surface}, job_id = #{jobId},
                step_id = #{stepId}, notes = #{notes}
            where id = #{id} and version = #{version}
            """)
    int changeRecipe(RecipeRow r);

    @Update(
            "update recipe set version = version + 1, gone = #{gone} where id = #{id} and version = #{version}")
    int setRecipeGone(
            @Param("id") UUID id, @Param("version") int version, @Param("gone") boolean gone);

    @Delete("delete from recipe_part where recipe_id = #{id}")
    void dropParts(UUID id);

    @Insert(
            """
            insert into recipe_part (recipe_id, place, bottle_id, drops)
            values (#{recipeId}, #{place}, #{bottleId}, #{drops})
            """)
    void addPart(PartRow p);

    @Select(
            """
            select id, recipe_id, seen_l, seen_a, seen_b, predicted_l, predicted_a, predicted_b, left_over, noted_at, taught
            from test_card order by noted_at, id
            """)
    List<CardRow> cards();

    @Insert(
            """
            insert into test_card (id, recipe_id, seen_l, seen_a, seen_b, predicted_l, predicted_a, predicted_b, left_over,
                                   noted_at, taught)
            values (#{id}, #{recipeId}, #{seenL}, #{seenA}, #{seenB}, #{predictedL}, #{predictedA}, #{predictedB},
                    #{leftOver}, #{notedAt}, #{taught})
            """)
    void addCard(CardRow c);

    /**
     * A part of the recipe that a step is mixed by.
     *
     * @param name of the recipe
     * @param surface that it was made for
     */
    record StepMixRow(
            UUID jobId,
            StepId stepId,
            UUID recipeId,
            String name,
            String surface,
            UUID bottleId,
            int drops) {}

    /** Those of a job whose recipe is kept. */
    @Select(
            """
            select m.job_id, m.step_id, m.recipe_id, r.name, r.surface, p.bottle_id, p.drops
            from step_mix m join recipe r on r.id = m.recipe_id join recipe_part p on p.recipe_id = r.id
            where m.job_id = #{job} and not r.gone order by m.step_id, p.place
            """)
    List<StepMixRow> stepMixes(UUID job);

    /** Those of all jobs. */
    @Select(
            """
            select m.job_id, m.step_id, m.recipe_id, r.name, r.surface, p.bottle_id, p.drops
            from step_mix m join recipe r on r.id = m.recipe_id join recipe_part p on p.recipe_id = r.id
            where not r.gone order by m.recipe_id, m.job_id, m.step_id, p.place
            """)
    List<StepMixRow> allStepMixes();

    @Delete("delete from step_mix where job_id = #{job} and step_id = #{step}")
    void unlinkStep(@Param("job") UUID job, @Param("step") StepId step);

    @Insert(
            """
            insert into step_mix (job_id, step_id, recipe_id)
            values (#{job}, #{step}, #{recipe})
            """)
    void linkStep(@Param("job") UUID job, @Param("step") StepId step, @Param("recipe") UUID recipe);

    /** What a card changed of a bottle. */
    record CardStrengthRow(
            UUID cardId, UUID bottleId, double strengthBefore, double strengthAfter) {}

    @Insert(
            """
            insert into card_strength (card_id, bottle_id, strength_before, strength_after)
            values (#{cardId}, #{bottleId}, #{strengthBefore}, #{strengthAfter})
            """)
    void addCardStrength(CardStrengthRow s);

    @Select(
            """
            select card_id, bottle_id, strength_before, strength_after from card_strength
            where card_id = #{card} order by bottle_id
            """)
    List<CardStrengthRow> cardStrengths(UUID card);

    @Delete("delete from card_strength where card_id = #{card}")
    void dropCardStrengths(UUID card);

    @Delete("delete from test_card where id = #{card}")
    void dropCard(UUID card);
}
