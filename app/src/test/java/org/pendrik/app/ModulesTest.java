package org.pendrik.app;

import org.springframework.modulith.core.ApplicationModules;
import org.testng.annotations.Test;

/** Every feature keeps to itself what it does not offer, and none stand in a circle. */
public class ModulesTest {
    @Test
    public void modulesKeepTheirWalls() {
        ApplicationModules.of(PendrikApplication.class).verify();
    }
}
