package org.pendrik.app.photograph;

/** What a photograph shows. */
public enum Role {
    PROTOTYPE,
    MODEL
}
