package kumite.device;

import kumite.measure.Check;

/**
 * A time in which the host takes no report: it sleeps, or the plug is out.
 *
 * @param fromUs when it begins, since the play began; 0 or more
 * @param toUs when the host is there again
 */
public record Away(long fromUs, long toUs) {
  public Away {
    Check.between(0, Long.MAX_VALUE, fromUs, "fromUs");
    Check.between(fromUs, Long.MAX_VALUE, toUs, "toUs");
  }

  boolean holds(long us) {
    return us >= fromUs && us < toUs;
  }
}
