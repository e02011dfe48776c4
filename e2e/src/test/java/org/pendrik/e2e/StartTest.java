package org.pendrik.e2e;

import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.Test;

/** A start that cannot be says why in one sentence. */
public class StartTest {
    @Test
    public void aBusyPortIsSaidClearly() {
        try (Server server = Server.start(Server.freshFolder())) {
            String said =
                    Server.startAndFail(Server.freshFolder(), "--server.port=" + server.port());
            assertTrue(
                    said.contains("Port " + server.port() + " is taken by another program."), said);
        }
    }

    @Test
    public void aFolderThatIsOpenElsewhereIsSaidClearly() {
        Path data = Server.freshFolder();
        try (Server server = Server.start(data)) {
            assertTrue(server.port() > 0);
            assertTrue(
                    Server.startAndFail(data)
                            .contains("The data folder is open in another Pendrik."));
        }
    }

    @Test
    public void anotherAddressIsRefused() {
        String said = Server.startAndFail(Server.freshFolder(), "--server.address=0.0.0.0");
        assertTrue(said.contains("Pendrik listens only to this machine"), said);
    }

    @Test
    public void aFolderThatCannotBeMadeIsSaidClearly() throws IOException {
        Path file = Files.createTempFile("pendrik", ".txt");
        String said = Server.startAndFail(file.resolve("data"));
        assertTrue(said.contains("cannot be made"), said);
    }
}
