package zapateo.server;

import java.time.Duration;
import java.util.List;
import org.springframework.boot.web.server.MimeMappings;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.web.server.servlet.ConfigurableServletWebServerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.accept.ContentNegotiationStrategy;
import org.springframework.web.servlet.config.annotation.ContentNegotiationConfigurer;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/** The built page: its hashed files are kept by the browser for good, its views all answer with the same document. */
@Configuration
class WebFiles implements WebMvcConfigurer {

    /** Each address has one answer of one kind, errors included: what a caller would rather have changes nothing. */
    @Override
    public void configureContentNegotiation(ContentNegotiationConfigurer negotiation) {
        negotiation.strategies(List.of(request -> ContentNegotiationStrategy.MEDIA_TYPE_ALL_LIST));
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable())
                .resourceChain(true)
                .addResolver(new EncodedResourceResolver());
        registry.addResourceHandler("/sounds/**")
                .addResourceLocations("classpath:/static/sounds/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePublic());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        for (String view : new String[] {"/songs/{id}", "/songs/{id}/{view}", "/sets", "/sets/{id}", "/hands"}) {
            registry.addViewController(view).setViewName("forward:/index.html");
        }
    }

    @Bean
    WebServerFactoryCustomizer<ConfigurableServletWebServerFactory> moduleScripts() {
        return factory -> {
            MimeMappings mappings = new MimeMappings(MimeMappings.DEFAULT);
            mappings.add("mjs", "text/javascript");
            mappings.add("webmanifest", "application/manifest+json");
            factory.setMimeMappings(mappings);
        };
    }
}
