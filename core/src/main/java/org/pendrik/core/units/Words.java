package org.pendrik.core.units;

import java.util.Locale;

/** How figures and names stand in a sentence. */
public final class Words {
    private Words() {}

    /** The same with a capital letter first; empty stays empty. */
    public static String capital(String s) {
        return s.isEmpty() ? s : s.substring(0, 1).toUpperCase(Locale.ROOT) + s.substring(1);
    }

    /**
     * A span of minutes as people say it: minutes up to two hours, hours up to two days, then days.
     */
    public static String span(double minutes) {
        long whole = Math.round(minutes);
        if (whole < 120) {
            return whole + " min";
        }
        if (whole < 48 * 60) {
            return Math.round(whole / 60.0) + " h";
        }
        return Math.round(whole / 1440.0) + " days";
    }
}
