package org.pendrik.app.security;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import org.pendrik.app.AppTest;
import org.springframework.http.MediaType;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SecurityTest extends AppTest {
    @DataProvider
    public Object[][] hosts() {
        return new Object[][] {
            {"127.0.0.1:8420", 200},
            {"localhost:9000", 200},
            {"[::1]:8420", 200},
            {"127.0.0.1", 200},
            {"pendrik.example:8420", 421},
            {"127.0.0.1.example", 421},
            {"192.168.1.5:8420", 421},
        };
    }

    @Test(dataProvider = "hosts")
    public void onlyThisMachinesNamesAreAnswered(String host, int status) {
        var r = http.get().uri("/api/workshop").header("Host", host).exchange();
        assertEquals(r.getResponse().getStatus(), status);
    }

    @DataProvider
    public Object[][] origins() {
        return new Object[][] {
            {"Origin", "http://127.0.0.1:8420", 200},
            {"Origin", "http://evil.example", 403},
            {"Origin", "null", 403},
            {"Origin", "http://127.0.0.1:9999", 403},
            {"Origin", "https://127.0.0.1:8420", 403},
            {"Sec-Fetch-Site", "cross-site", 403},
            {"Sec-Fetch-Site", "same-origin", 200},
        };
    }

    @Test(dataProvider = "origins")
    public void anotherPageCannotChangeAnything(String header, String value, int status) {
        var r =
                http.post()
                        .uri("/api/calc/colour/difference")
                        .header("Host", "127.0.0.1:8420")
                        .header(header, value)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(
                                "{\"reference\":{\"l\":1,\"a\":0,\"b\":0},\"sample\":{\"l\":2,\"a\":0,\"b\":0}}")
                        .exchange();
        assertEquals(r.getResponse().getStatus(), status);
    }

    @Test
    public void answersCarryTheHeadersThatShutOthersOut() {
        var response = get("/api/workshop").getResponse();
        assertEquals(response.getHeader("X-Content-Type-Options"), "nosniff");
        assertEquals(response.getHeader("Content-Security-Policy"), "frame-ancestors 'none'");
        assertEquals(response.getHeader("Cache-Control"), "no-store");
    }

    @Test
    public void missingPartsAre404AndRoutesGetThePage() {
        assertEquals(get("/api/nothing").getResponse().getStatus(), 404);
        assertEquals(get("/_app/nothing.js").getResponse().getStatus(), 404);
        assertEquals(get("/jobs/whatever").getResponse().getStatus(), 200);
    }

    @Test
    public void anyOtherAddressIsRefusedAtTheStart() {
        LoopbackOnly.require("127.0.0.1");
        LoopbackOnly.require("::1");
        for (String address : new String[] {"0.0.0.0", "", "192.168.1.5"}) {
            var e = expectThrows(LoopbackOnly.Refused.class, () -> LoopbackOnly.require(address));
            assertTrue(e.getMessage().contains("must be 127.0.0.1"), e.getMessage());
        }
    }

    @Test
    public void noPathLeadsOutOfTheStore() {
        for (String path :
                new String[] {"/api/photographs/..%2f..%2fetc", "/api/photographs/not-an-id"}) {
            int status = get(path).getResponse().getStatus();
            assertTrue(status == 422 || status == 400 || status == 404, path + " gave " + status);
        }
    }
}
