package loesscape.server.platform.web;

import java.time.Duration;
import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.http.converter.HttpMessageConverters;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** How requests are read and answered. */
@Configuration
class WebConfiguration implements WebMvcConfigurer {

    private final List<HandlerInterceptor> interceptors;

    WebConfiguration(List<HandlerInterceptor> interceptors) {
        this.interceptors = interceptors;
    }

    @Override
    public void configureMessageConverters(HttpMessageConverters.ServerBuilder converters) {
        converters.addCustomConverter(new JsonConverter());
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        interceptors.forEach(registry::addInterceptor);
    }

    /**
     * What carries the hash of its content in its name never changes: a browser asks for it once. Not for all that stands between,
     * since the answer can bring a cookie.
     */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable());
    }

    /** The pages find their own way from the address; what looks like a file is one, or is not there. */
    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
        registry.addViewController("/sign-in").setViewName("forward:/index.html");
        registry.addViewController("/setup/{link}").setViewName("forward:/index.html");
        registry.addViewController("/reset/{link}").setViewName("forward:/index.html");
        registry.addViewController("/templates").setViewName("forward:/index.html");
        registry.addViewController("/templates/{*rest}").setViewName("forward:/index.html");
        registry.addViewController("/dispatches").setViewName("forward:/index.html");
        registry.addViewController("/dispatches/{*rest}").setViewName("forward:/index.html");
        registry.addViewController("/people").setViewName("forward:/index.html");
        registry.addViewController("/account").setViewName("forward:/index.html");
        registry.addViewController("/lookups").setViewName("forward:/index.html");
        registry.addViewController("/outside").setViewName("forward:/index.html");
        for (String path :
                List.of("/fill/{link}", "/sign/{link}", "/signed/{link}", "/open/{link}", "/desk/{token}", "/verify")) {
            registry.addViewController(path).setViewName("forward:/fill.html");
        }
    }
}
