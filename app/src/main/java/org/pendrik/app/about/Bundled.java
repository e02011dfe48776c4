package org.pendrik.app.about;

/**
 * Something of others that ships with the program.
 *
 * @param licence its name or identifier, as the package says it
 * @param text of its licence and notices; empty when the package has none in it
 */
record Bundled(String name, String version, String licence, String text) {}
