package zapateo.server.work;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import zapateo.server.bounds.ShortText;
import zapateo.server.problems.Refusal;

/** How far a page's request is, and an end to it where nobody waits any longer. */
@RestController
@RequestMapping("/api/computing")
public class WorkController {

    private final Works works;

    WorkController(Works works) {
        this.works = works;
    }

    /**
     * How far a request is that was sent with that name, where it tells: files of many songs do; 404 once it is
     * answered.
     */
    @GetMapping("/{name}")
    public Works.Progress progress(@PathVariable @ShortText String name) {
        return works.progress(name).orElseThrow(() -> Refusal.notFound("The request " + name));
    }

    /**
     * Gives up a request that computes, if it still does.
     *
     * @param name what the request's header {@code Zapateo-Work} said
     */
    @PostMapping("/{name}/stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void stop(@PathVariable @ShortText String name) {
        works.stop(name);
    }
}
