package kumite.finding;

/** Something with a place on a drawing that a finding can point at, such as a gap. */
public interface Drawn {}
