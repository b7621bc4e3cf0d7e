package kumite.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import kumite.build.Aspect;
import org.jspecify.annotations.Nullable;

/**
 * What may mend a finding: proposals in order of preference. The first that a judge lets pass is
 * the fix. Proposals are worked out, and tried on the build, only when the fix is asked for.
 *
 * <p>All remedies are equal to each other, so that findings are compared by what they say.
 */
public final class Remedy {
  /** Nothing is known to mend it. */
  public static final Remedy NONE = new Remedy(List.of(), (finding, fix) -> false);

  /** Says whether a fix takes its finding away and does no harm. */
  public interface Judge {
    boolean lets(Finding finding, Fix fix);
  }

  private final List<Supplier<Optional<Fix>>> proposals;
  private final Judge judge;

  /** Null until it is worked out; read without waiting for whoever works it out. */
  private volatile @Nullable Optional<Fix> answer;

  private Remedy(List<Supplier<Optional<Fix>>> proposals, Judge judge) {
    this.proposals = List.copyOf(proposals);
    this.judge = judge;
  }

  Remedy or(Supplier<Optional<Fix>> proposal) {
    List<Supplier<Optional<Fix>>> next = new ArrayList<>(proposals);
    next.add(proposal);
    return new Remedy(next, judge);
  }

  /** The same repairs, made with a seat and a profile looked at, and what was looked at after. */
  Remedy at(Aspect aspect) {
    List<Supplier<Optional<Fix>>> there = new ArrayList<>();
    for (Supplier<Optional<Fix>> proposal : proposals) {
      there.add(
          () ->
              proposal
                  .get()
                  .map(
                      fix ->
                          Fix.of(
                              fix.label(),
                              b -> fix.edit().apply(b.facing(aspect)).facing(b.aspect()))));
    }
    return proposals.isEmpty() ? this : new Remedy(there, judge);
  }

  /** The same repairs, each made into another one. */
  Remedy by(UnaryOperator<Fix> change) {
    List<Supplier<Optional<Fix>>> there = new ArrayList<>();
    for (Supplier<Optional<Fix>> proposal : proposals) {
      there.add(() -> proposal.get().map(change));
    }
    return proposals.isEmpty() ? this : new Remedy(there, judge);
  }

  /** The first proposal there is, not tried on anything yet. */
  Optional<Fix> first() {
    return proposals.stream().flatMap(proposal -> proposal.get().stream()).findFirst();
  }

  Remedy judgedBy(Judge newJudge) {
    return new Remedy(proposals, newJudge);
  }

  /** Whether asking for the fix costs nothing. */
  boolean known() {
    return answer != null || proposals.isEmpty();
  }

  /**
   * Tries one proposal after the other while the answer is wanted; broken off, nothing is known.
   */
  synchronized Optional<Fix> fix(Finding finding, BooleanSupplier wanted) {
    if (answer != null) {
      return answer;
    }
    for (Supplier<Optional<Fix>> proposal : proposals) {
      if (!wanted.getAsBoolean()) {
        return Optional.empty();
      }
      Optional<Fix> fix = proposal.get().filter(f -> judge.lets(finding, f));
      if (fix.isPresent()) {
        answer = fix;
        return fix;
      }
    }
    answer = Optional.empty();
    return answer;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Remedy;
  }

  @Override
  public int hashCode() {
    return 1;
  }
}
