package org.pendrik.app.security;

import java.net.InetAddress;
import java.net.UnknownHostException;

/** Refuses to start when the server would listen to other machines: there is no sign-in yet. */
public final class LoopbackOnly {
    private LoopbackOnly() {}

    /** Passes a loopback address; {@link Refused} for any other and for none. */
    public static void require(String address) {
        boolean loopback;
        try {
            loopback = !address.isBlank() && InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException e) {
            loopback = false;
        }
        if (!loopback) {
            throw new Refused(
                    "Pendrik listens only to this machine, because it has no sign-in yet. The address ("
                            + (address.isBlank() ? "all" : address)
                            + ") must be 127.0.0.1: take the other one out of the settings.");
        }
    }

    /** The address is not this machine's own. */
    public static final class Refused extends RuntimeException {
        @java.io.Serial private static final long serialVersionUID = 1L;

        Refused(String message) {
            super(message);
        }
    }
}
