package org.pendrik.core.colour;

/**
 * What the light of a photograph is known by, and what that leaves open.
 *
 * <p>Cameras set their white themselves to about 3° of angle, so a channel is off by some 5 % where
 * nothing checks it (A. Gijsenij, T. Gevers, J. van de Weijer, "Computational color constancy:
 * survey and experiments", IEEE Transactions on Image Processing 20, 2011, 2475–2489). Exposure
 * follows the scene.
 */
public enum LightKnown {
    /** A card of known colour hangs in the picture. */
    CARD(0, 0),
    /** A card in another picture that was taken in the same light: the exposure may have moved. */
    OTHER_PICTURE(0.08, 0.01),
    /** Lettering that left the shop white: it yellows and chalks. */
    LETTERING(0.10, 0.03),
    /** Ballast under the open sky: grey stone, as bright as it happens to be. */
    BALLAST(0.15, 0.035),
    /** Nothing: what the camera made of it. */
    NOTHING(0.15, 0.05);

    private final double levelSd;
    private final double castSd;

    LightKnown(double levelSd, double castSd) {
        this.levelSd = levelSd;
        this.castSd = castSd;
    }

    /** How far the level of the light is off, one standard deviation as a share of it. */
    public double levelSd() {
        return levelSd;
    }

    /** How far channels are off against each other, one standard deviation as a share. */
    public double castSd() {
        return castSd;
    }

    /**
     * Whether the level is told by something in a picture; else it is as the camera exposed it, and
     * nothing can be called brighter than white.
     */
    public boolean levelTold() {
        return this != BALLAST && this != NOTHING;
    }

    /**
     * What that leaves open of a colour, one standard deviation in ΔE*ab. A share δ more of light
     * moves it by δ / 3 of (L* + 16, a*, b*); channels that are off against each other by δ move a*
     * by 500 / 3 and b* by 200 / 3 times δ (L* + 16) / 116.
     */
    public double opens(Lab c) {
        double lit = c.l() + 16;
        double level = levelSd / 3 * Math.hypot(lit, Math.hypot(c.a(), c.b()));
        double cast = castSd / 3 * lit / 116 * Math.hypot(500, 200);
        return Math.hypot(level, cast);
    }
}
