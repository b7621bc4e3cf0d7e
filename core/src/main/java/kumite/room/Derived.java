package kumite.room;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.parts.Catalogue;
import org.jspecify.annotations.Nullable;

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

  /**
   * What was worked out before holds where nothing that it looked at differs: neither what its
   * derivation sees of the build, nor what it asked of others. What it never asked is not made.
   */
  private <T> Worked work(Derivation<T> derivation) {
    Worked was = before.get(derivation);
    boolean holds =
        was != null
            && was.catalogue() == catalogue
            && derivation.sight().same(was.build(), build)
            && was.from().entrySet().stream()
                .allMatch(entry -> get(entry.getKey()) == entry.getValue());
    if (holds) {
      return new Worked(was.value(), build, catalogue, was.from());
    }
    Map<Derivation<?>, Object> from = new LinkedHashMap<>();
    Object value = derivation.work().of(given(derivation, from, was));
    return new Worked(value, build, catalogue, from);
  }

  private <T> Derivation.Given<T> given(
      Derivation<T> derivation, Map<Derivation<?>, Object> from, @Nullable Worked was) {
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
        if (!derivation.from().contains(other)) {
          throw new IllegalArgumentException(
              "\"" + derivation + "\" does not say that it follows from \"" + other + "\"");
        }
        return (U) from.computeIfAbsent(other, asked -> Derived.this.get(asked));
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
