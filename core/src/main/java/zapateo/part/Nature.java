package zapateo.part;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zapateo.rhythm.Role;

/**
 * What a stroke is. Everything that decides about strokes asks this; a {@link Reason} is for words only.
 *
 * @param origin what put it there
 * @param roles of the chord it plays, as its figure has them; none where it comes of no figure
 * @param grace present on a grace note and on what it leans on
 * @param mended how it was changed, in the order that was done
 */
public record Nature(Origin origin, List<Role> roles, Optional<Grace> grace, List<Mending> mended) {

    public Nature {
        roles = List.copyOf(roles);
        mended = List.copyOf(mended);
    }

    public static Nature of(Origin origin) {
        return new Nature(origin, List.of(), Optional.empty(), List.of());
    }

    public static Nature of(Origin origin, List<Role> roles) {
        return new Nature(origin, roles, Optional.empty(), List.of());
    }

    public Nature with(Grace ornament) {
        return new Nature(origin, roles, Optional.of(ornament), mended);
    }

    public Nature with(Mending how) {
        List<Mending> all = new ArrayList<>(mended);
        all.remove(how);
        all.add(how);
        return new Nature(origin, roles, grace, all);
    }

    public Nature from(Origin other) {
        return new Nature(other, roles, grace, mended);
    }
}
