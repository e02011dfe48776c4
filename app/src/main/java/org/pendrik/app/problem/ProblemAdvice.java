package org.pendrik.app.problem;

import java.net.URI;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.Conflicts;
import org.pendrik.app.store.DatabaseTrouble;
import org.pendrik.core.units.InvalidInput;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import tools.jackson.databind.exc.ValueInstantiationException;

/** Turns what goes wrong into a sentence that names the thing and what helps. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class ProblemAdvice {
    private static final Pattern MISSING =
            Pattern.compile("[Mm]issing required creator property '(\\w+)'");
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    private final DatabaseTrouble database;

    ProblemAdvice(DatabaseTrouble database) {
        this.database = database;
    }

    @ExceptionHandler
    ProblemDetail invalid(InvalidInput e) {
        ProblemDetail p =
                problem(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "invalid-input",
                        e.field() + " is not right",
                        e.getMessage());
        p.setProperty("field", e.field());
        p.setProperty("value", e.value());
        p.setProperty("rule", e.rule());
        p.setProperty("remedy", e.remedy());
        return p;
    }

    @ExceptionHandler
    ProblemDetail missing(NotFound e) {
        return problem(HttpStatus.NOT_FOUND, "not-found", "Not found", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail stale(StaleVersion e) {
        return problem(HttpStatus.CONFLICT, "stale", "Changed elsewhere", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail busy(Busy e) {
        return problem(HttpStatus.TOO_MANY_REQUESTS, "busy", "Too much at once", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail constraint(DataIntegrityViolationException e) {
        LOG.warn("refused by the database: {}", e.getMessage());
        return problem(
                HttpStatus.CONFLICT,
                "refused",
                "Not stored",
                "The database refused this because it contradicts what is stored. Load the page again and repeat it.");
    }

    @ExceptionHandler
    ProblemDetail stopped(CancellationException e) {
        return problem(HttpStatus.CONFLICT, "stopped", "Stopped", "Stopped. Nothing was changed.");
    }

    @ExceptionHandler
    ProblemDetail nothingThere(NoResourceFoundException e) {
        return problem(
                HttpStatus.NOT_FOUND,
                "not-found",
                "Not found",
                "There is nothing at " + e.getResourcePath() + ".");
    }

    @ExceptionHandler
    ProblemDetail mistyped(MethodArgumentTypeMismatchException e) {
        return invalid(
                new InvalidInput(
                        e.getName(),
                        String.valueOf(e.getValue()),
                        "cannot be read",
                        "Use the address as the page gives it."));
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException e) {
        return e.getMostSpecificCause() instanceof SlowBody slow ? slow(slow) : invalid(cause(e));
    }

    @ExceptionHandler
    ProblemDetail slow(SlowBody e) {
        return problem(HttpStatus.REQUEST_TIMEOUT, "slow", "Not received", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail unreadable(JacksonException e) {
        return invalid(cause(e));
    }

    /** The refused input behind a message that could not be read. */
    private static InvalidInput cause(Throwable e) {
        for (Throwable t = e; t != null; t = t.getCause()) {
            if (t instanceof InvalidInput i) {
                return i;
            }
        }
        for (Throwable t = e; t != null; t = t.getCause()) {
            InvalidInput found = known(t);
            if (found != null) {
                return found;
            }
        }
        return new InvalidInput(
                "Request", "empty", "must be JSON", "Send the fields as documented.");
    }

    private static @Nullable InvalidInput known(Throwable t) {
        return switch (t) {
            case UnrecognizedPropertyException u ->
                    new InvalidInput(
                            "Field " + path(u),
                            u.getPropertyName(),
                            "is not known here",
                            "Take it out, or check its spelling.");
            case InvalidFormatException f when f.getTargetType() == Double.class ->
                    new InvalidInput(
                            "Field " + path(f),
                            String.valueOf(f.getValue()),
                            f.getOriginalMessage(),
                            "Send it as documented.");
            case MismatchedInputException m ->
                    new InvalidInput(
                            "Field " + missing(m).orElseGet(() -> path(m)),
                            "as sent",
                            "is missing or of another type",
                            "Send it as documented.");
            case ValueInstantiationException v
                    when v.getCause() instanceof IllegalArgumentException i ->
                    new InvalidInput(
                            "Field " + path(v),
                            "as sent",
                            "cannot be: " + i.getMessage(),
                            "Send it as documented.");
            case JacksonException j ->
                    new InvalidInput(
                            "Request",
                            "line " + (j.getLocation() == null ? 1 : j.getLocation().getLineNr()),
                            "is not JSON",
                            "Check commas, quotes and brackets there.");
            default -> null;
        };
    }

    private static Optional<String> missing(MismatchedInputException e) {
        Matcher m = MISSING.matcher(String.valueOf(e.getOriginalMessage()));
        return m.find() ? Optional.of(m.group(1)) : Optional.empty();
    }

    private static String path(JacksonException e) {
        StringBuilder out = new StringBuilder();
        for (JacksonException.Reference r : e.getPath()) {
            if (r.getPropertyName() == null) {
                out.append('[').append(r.getIndex()).append(']');
            } else {
                out.append(out.isEmpty() ? "" : ".").append(r.getPropertyName());
            }
        }
        return out.isEmpty() ? "of the request" : out.toString();
    }

    @ExceptionHandler
    ProblemDetail unexpected(RuntimeException e) {
        if (Conflicts.isConflict(e)) {
            return stale(new StaleVersion("This"));
        }
        DatabaseTrouble.Words trouble = database.behind(e).orElse(null);
        if (trouble != null) {
            LOG.warn("{}: {}", trouble.text(), e.getMessage());
            return problem(
                    HttpStatus.valueOf(trouble.status()), "disk", trouble.title(), trouble.text());
        }
        LOG.error("unexpected", e);
        return problem(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unexpected",
                "Something went wrong here",
                "Nothing was stored. Try it again; if it stays, the terminal in which Pendrik runs says more.");
    }

    private static ProblemDetail problem(
            HttpStatus status, String type, String title, @Nullable String detail) {
        ProblemDetail p = ProblemDetail.forStatusAndDetail(status, String.valueOf(detail));
        p.setTitle(title);
        p.setType(URI.create("urn:pendrik:problem:" + type));
        return p;
    }
}
