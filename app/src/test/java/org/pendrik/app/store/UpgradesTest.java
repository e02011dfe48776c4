package org.pendrik.app.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.Test;

public class UpgradesTest {
    private static Path folder() throws IOException {
        return Files.createTempDirectory("pendrik-upgrade");
    }

    @Test
    public void aFirstStartThatWasCutOffBeginsAnew() throws IOException {
        Path root = folder();
        assertTrue(Upgrades.recover(root).isEmpty());
        Files.writeString(DatabaseFile.in(root), "half");
        assertTrue(Upgrades.recover(root).orElseThrow().contains("begins anew"));
        assertFalse(Files.exists(DatabaseFile.in(root)));
        assertTrue(Upgrades.recover(root).isEmpty(), "nothing was begun since");
    }

    @Test
    public void anUpgradeThatWasCutOffIsUndoneFromItsCopy() throws IOException {
        Path root = folder();
        Path copy = Files.createDirectories(root.resolve("upgrade")).resolve("before-7.zip");
        try (OutputStream out = Files.newOutputStream(copy);
                ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("pendrik.mv.db"));
            zip.write("as it was".getBytes(java.nio.charset.StandardCharsets.UTF_8));
            zip.closeEntry();
        }
        Files.writeString(DatabaseFile.in(root), "half upgraded");
        Files.writeString(root.resolve("upgrade-running"), "before-7.zip");
        assertTrue(Upgrades.recover(root).orElseThrow().contains("as it was before it"));
        assertEquals(Files.readString(DatabaseFile.in(root)), "as it was");
        assertTrue(Upgrades.recover(root).isEmpty());
        assertTrue(Files.exists(copy), "the copy is kept for a while");
    }

    @Test
    public void aWorkshopThatWasNotCutOffIsLeftAlone() throws IOException {
        Path root = folder();
        Files.writeString(DatabaseFile.in(root), "fine");
        assertTrue(Upgrades.recover(root).isEmpty());
        assertEquals(Files.readString(DatabaseFile.in(root)), "fine");
    }
}
