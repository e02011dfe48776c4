package org.pendrik.core.catalogue;

/** A column of the bite table. */
enum Solvent {
    W,
    WD,
    I35,
    I70,
    AR,
    MS,
    ET,
    LT,
    DS,
    DX,
    NH
}
