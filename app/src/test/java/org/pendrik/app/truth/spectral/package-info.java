/**
 * A second renderer of photographs with known truth, made by other means than the first: paints and
 * light are spectra, films are Kubelka–Munk layers of varying thickness, and the camera sees with
 * sensors of its own. It uses no colour code of the program and nothing of the first renderer.
 */
@NullMarked
package org.pendrik.app.truth.spectral;

import org.jspecify.annotations.NullMarked;
