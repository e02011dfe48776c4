package org.pendrik.app.site;

import java.io.IOException;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;
import org.springframework.web.servlet.resource.PathResourceResolver;

/**
 * Serves the built pages: hashed files for a year, the fallback page for every address that the
 * pages route themselves, 404 for missing parts of the application and the API.
 */
@Configuration
class SiteConfig implements WebMvcConfigurer {
    private static final String BUILT = "classpath:/web/";

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/_app/immutable/**")
                .addResourceLocations(BUILT + "_app/immutable/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable())
                .resourceChain(true)
                .addResolver(new EncodedResourceResolver())
                .addResolver(new PathResourceResolver());
        registry.addResourceHandler("/**")
                .addResourceLocations(BUILT)
                .setCacheControl(CacheControl.noCache())
                .resourceChain(true)
                .addResolver(new FallbackPage());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
    }

    private static final class FallbackPage extends PathResourceResolver {
        @Override
        protected @Nullable Resource getResource(String path, Resource location)
                throws IOException {
            Resource found = super.getResource(path, location);
            boolean routed =
                    !path.startsWith("api/") && !path.startsWith("_app/") && !path.contains(".");
            return found == null && routed ? super.getResource("index.html", location) : found;
        }
    }
}
