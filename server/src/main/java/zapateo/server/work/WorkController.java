package zapateo.server.work;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Stops what a page waits for no longer. */
@RestController
@RequestMapping("/api/computing")
public class WorkController {

    private final Works works;

    WorkController(Works works) {
        this.works = works;
    }

    /**
     * Gives up a request that computes, if it still does.
     *
     * @param name what the request's header {@code Zapateo-Work} said
     */
    @PostMapping("/{name}/stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void stop(@PathVariable String name) {
        works.stop(name);
    }
}
