package kumite.room;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.parts.Catalogue;

/**
 * What follows from one build, worked out when it is first asked for.
 *
 * <p>What was worked out for the build before is kept where its derivation sees no difference. May
 * be asked by several threads.
 */
public final class Derived {
  private final Build build;
  private final Catalogue catalogue;
  private final Map<Derivation<?>, Worked> before;
  private final Map<Derivation<?>, Worked> worked = new HashMap<>();

  /**
   * Something worked out.
   *
   * @param value what it gave
   * @param build what it was worked out from
   * @param catalogue with these kinds
   * @param from what it followed from
   */
  private record Worked(
      Object value, Build build, Catalogue catalogue, Map<Derivation<?>, Object> from) {}

  private Derived(Build build, Catalogue catalogue, Map<Derivation<?>, Worked> before) {
    this.build = build;
    this.catalogue = catalogue;
    this.before = before;
  }

  /** {@return what follows from a build, from nothing known before} */
  public static Derived of(Build build, Catalogue catalogue) {
    return new Derived(build, catalogue, Map.of());
  }

  /** {@return what follows from another build, usually one edit away} */
  public synchronized Derived next(Build other, Catalogue kinds) {
    Map<Derivation<?>, Worked> known = new HashMap<>(before);
    known.putAll(worked);
    return new Derived(other, kinds, known);
  }

  /** {@return what a derivation gives} */
  @SuppressWarnings("unchecked") // what is kept under a derivation is what it gave
  public synchronized <T> T get(Derivation<T> derivation) {
    Worked known = worked.get(derivation);
    if (known == null) {
      known = work(derivation);
      worked.put(derivation, known);
    }
    return (T) known.value();
  }

  private <T> Worked work(Derivation<T> derivation) {
    Map<Derivation<?>, Object> from = new HashMap<>();
    derivation.from().forEach(other -> from.put(other, get(other)));
    Worked was = before.get(derivation);
    boolean holds =
        was != null
            && was.catalogue() == catalogue
            && from.entrySet().stream()
                .allMatch(entry -> was.from().get(entry.getKey()) == entry.getValue())
            && derivation.sight().same(was.build(), build);
    return holds
        ? new Worked(was.value(), build, catalogue, from)
        : new Worked(derivation.work().of(given(derivation, from, was)), build, catalogue, from);
  }

  private <T> Derivation.Given<T> given(
      Derivation<T> derivation, Map<Derivation<?>, Object> from, Worked was) {
    Build seen = derivation.sight().only(build);
    return new Derivation.Given<>() {
      @Override
      public Build build() {
        return seen;
      }

      @Override
      public Catalogue catalogue() {
        return catalogue;
      }

      @Override
      @SuppressWarnings("unchecked") // as above
      public <U> U get(Derivation<U> other) {
        if (!from.containsKey(other)) {
          throw new IllegalArgumentException(
              "\"" + derivation + "\" does not say that it follows from \"" + other + "\"");
        }
        return (U) from.get(other);
      }

      @Override
      @SuppressWarnings("unchecked") // as above
      public Optional<T> before() {
        return was == null || was.catalogue() != catalogue
            ? Optional.empty()
            : Optional.of((T) was.value());
      }
    };
  }
}
