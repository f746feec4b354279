package yellowrail.app.fuzz;

import java.lang.reflect.Method;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.core.type.filter.AnnotationTypeFilter;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import yellowrail.app.YellowRail;

/** Every address the controllers answer, found from their own mappings. */
public final class Routes {
    /** The files a session gives. */
    public static final List<String> FILES = List.of("sheet.pdf", "card.pdf", "recheck.ics", "readings.csv");

    /** One of them, with the names of its parameters as far as the method tells them. */
    record Route(String method, String path, Set<String> names) {
        boolean reads() {
            return method.equals("GET");
        }
    }

    private Routes() {}

    static List<Route> all() throws ClassNotFoundException {
        ClassPathScanningCandidateComponentProvider scanner = new ClassPathScanningCandidateComponentProvider(false);
        scanner.addIncludeFilter(new AnnotationTypeFilter(Controller.class));
        List<Route> routes = new ArrayList<>();
        for (BeanDefinition found : scanner.findCandidateComponents(YellowRail.class.getPackageName())) {
            Class<?> controller = Class.forName(found.getBeanClassName());
            RequestMapping base = AnnotatedElementUtils.findMergedAnnotation(controller, RequestMapping.class);
            String prefix = base == null || base.path().length == 0 ? "" : base.path()[0];
            for (Method method : controller.getDeclaredMethods()) {
                RequestMapping mapping = AnnotatedElementUtils.findMergedAnnotation(method, RequestMapping.class);
                if (mapping != null) {
                    add(routes, prefix, mapping, method);
                }
            }
        }
        routes.sort(Comparator.comparing(Route::path).thenComparing(Route::method));
        return routes;
    }

    private static void add(List<Route> routes, String prefix, RequestMapping mapping, Method method) {
        Set<String> names = new TreeSet<>();
        for (var parameter : method.getParameters()) {
            names.add(parameter.getName());
            if (parameter.getType().isRecord()) {
                for (var component : parameter.getType().getRecordComponents()) {
                    names.add(component.getName());
                }
            }
        }
        String[] paths = mapping.path().length == 0 ? new String[] {""} : mapping.path();
        RequestMethod[] methods =
                mapping.method().length == 0 ? new RequestMethod[] {RequestMethod.GET} : mapping.method();
        for (String path : paths) {
            for (RequestMethod one : methods) {
                routes.add(new Route(one.name(), prefix + path, names));
            }
        }
    }
}
