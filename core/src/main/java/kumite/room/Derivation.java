package kumite.room;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import kumite.build.Build;
import kumite.parts.Catalogue;

/**
 * Something that follows from a build, with what it is worked out from.
 *
 * <p>It is given what it names and nothing else: of the build only what is in its {@link Sight},
 * and of other derivations only those it follows from. So whatever it gives is a function of that,
 * and is kept as long as that is the same.
 *
 * <pre>{@code
 * static final Derivation<DrillPlan> PLAN =
 *     Derivation.of(
 *         "drill plan",
 *         Sight.of(Facet.of(Panel.PART), Facet.CONTROLS),
 *         given -> DrillPlan.of(given.build(), given.catalogue()));
 * }</pre>
 *
 * @param <T> what it gives: an immutable value
 */
public final class Derivation<T> {
  private final String name;
  private final Sight sight;
  private final List<Derivation<?>> from;
  private final Work<T> work;

  /** How it is worked out. */
  public interface Work<T> {
    /** {@return what follows; a pure function of what is given} */
    T of(Given<T> given);
  }

  /** What a derivation is given. */
  public interface Given<T> {
    /** {@return the build as far as it is seen} */
    Build build();

    /** {@return the kinds of things that there are} */
    Catalogue catalogue();

    /**
     * {@return what another derivation gave}
     *
     * @throws IllegalArgumentException if this one does not say that it follows from it
     */
    <U> U get(Derivation<U> other);

    /**
     * {@return what this one gave for the build before, usually one edit ago}
     *
     * <p>What can be reused of it may be; the outcome must be the same as without it.
     */
    Optional<T> before();
  }

  private Derivation(String name, Sight sight, List<Derivation<?>> from, Work<T> work) {
    this.name = Objects.requireNonNull(name, "name");
    this.sight = Objects.requireNonNull(sight, "sight");
    this.from = List.copyOf(from);
    this.work = Objects.requireNonNull(work, "work");
  }

  /** {@return a derivation of a build alone} */
  public static <T> Derivation<T> of(String name, Sight sight, Work<T> work) {
    return new Derivation<>(name, sight, List.of(), work);
  }

  /** {@return the same, which follows from others too} */
  public Derivation<T> from(Derivation<?>... others) {
    return new Derivation<>(name, sight, List.of(others), work);
  }

  Sight sight() {
    return sight;
  }

  List<Derivation<?>> from() {
    return from;
  }

  Work<T> work() {
    return work;
  }

  /** {@return what it is called} */
  @Override
  public String toString() {
    return name;
  }
}
