package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.tables.DomainTable.Row;
import org.pendrik.core.units.InvalidInput;

/** The questions on which good weatherers differ, from schools.csv. */
public final class Schools {
    private static final List<Question> QUESTIONS = questions();

    private Schools() {}

    /**
     * One accepted way.
     *
     * @param label as said at the bench
     * @param trade what it gives and takes
     */
    public record Answer(String key, String label, String trade) {}

    /**
     * A question.
     *
     * @param start key of the answer that a workshop starts with
     */
    public record Question(String key, String text, List<Answer> answers, String start) {
        public Question {
            answers = List.copyOf(answers);
        }

        /** The answer of a key. */
        Optional<Answer> answer(String wanted) {
            return answers.stream().filter(a -> a.key().equals(wanted)).findFirst();
        }
    }

    /**
     * What a workshop or a job has chosen.
     *
     * @param answers by question; what is missing is as the table starts
     */
    public record Choice(Map<String, String> answers) {
        /** Every question as the table starts. */
        public static final Choice START = new Choice(Map.of());

        /**
         * @throws InvalidInput when a question or an answer is not known
         */
        public Choice {
            answers.forEach(
                    (q, a) -> {
                        Question question = question(q);
                        if (question.answer(a).isEmpty()) {
                            throw new InvalidInput(
                                    question.text(),
                                    a,
                                    "is no answer to that",
                                    "Use one of "
                                            + String.join(
                                                    ", ",
                                                    question.answers().stream()
                                                            .map(Answer::key)
                                                            .toList())
                                            + ".");
                        }
                    });
            answers = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(answers));
        }

        /** The key of the answer to a question. */
        public String of(String question) {
            return answers.getOrDefault(question, question(question).start());
        }

        /** The answer to a question that the compiler goes by. */
        <E extends Enum<E> & SchoolAnswer> E of(Class<E> type) {
            String answer = of(SchoolAnswer.question(type));
            return type.getEnumConstants()[SchoolAnswer.keys(type).indexOf(answer)];
        }

        /** This with another answer to one question. */
        public Choice with(String question, String answer) {
            Map<String, String> out = new LinkedHashMap<>(answers);
            out.put(question, answer);
            return new Choice(out);
        }

        /** This where it says something, else the other. */
        public Choice over(Choice house) {
            Map<String, String> out = new LinkedHashMap<>(house.answers());
            out.putAll(answers);
            return new Choice(out);
        }
    }

    /** All questions, in the order of the table. */
    public static List<Question> all() {
        return QUESTIONS;
    }

    /**
     * The question of a key.
     *
     * @throws InvalidInput when there is none
     */
    public static Question question(String key) {
        return QUESTIONS.stream()
                .filter(q -> q.key().equals(key))
                .findFirst()
                .orElseThrow(
                        () ->
                                new InvalidInput(
                                        "School",
                                        key,
                                        "is no question",
                                        "Use one of "
                                                + String.join(
                                                        ", ",
                                                        QUESTIONS.stream()
                                                                .map(Question::key)
                                                                .toList())
                                                + "."));
    }

    private static List<Question> questions() {
        Map<String, List<Row>> rows = new LinkedHashMap<>();
        DomainTable.load(Schools.class, "schools.csv", r -> r)
                .forEach(
                        r ->
                                rows.computeIfAbsent(r.text("question"), _ -> new ArrayList<>())
                                        .add(r));
        List<Question> out = new ArrayList<>();
        rows.forEach(
                (key, lines) -> {
                    List<String> starts =
                            lines.stream()
                                    .filter(r -> r.yes("start"))
                                    .map(r -> r.text("answer"))
                                    .toList();
                    if (starts.size() != 1) {
                        throw new IllegalStateException(
                                "schools.csv: " + key + " must have one answer to start with");
                    }
                    out.add(
                            new Question(
                                    key,
                                    lines.getFirst().text("text"),
                                    lines.stream()
                                            .map(
                                                    r ->
                                                            new Answer(
                                                                    r.text("answer"),
                                                                    r.text("label"),
                                                                    r.text("trade")))
                                            .toList(),
                                    starts.getFirst()));
                });
        for (Class<?> type : SchoolAnswer.class.getPermittedSubclasses()) {
            String key = SchoolAnswer.question(type);
            List<String> answers =
                    out.stream()
                            .filter(q -> q.key().equals(key))
                            .flatMap(q -> q.answers().stream())
                            .map(Answer::key)
                            .toList();
            if (!answers.equals(SchoolAnswer.keys(type))) {
                throw new IllegalStateException(
                        "schools.csv: "
                                + key
                                + " must have the answers "
                                + String.join(", ", SchoolAnswer.keys(type))
                                + ", in this order");
            }
        }
        return List.copyOf(out);
    }
}
