package kumite.timing;

import java.util.List;
import kumite.build.map.Timing;
import kumite.working.Source;
import kumite.working.Working;

/**
 * The delay from the first edge of a contact to the report that tells of it.
 *
 * <p>Waits for the next look and for the next report are uniform over their periods, so they add
 * half of them on average and all of them at worst; bounce is left out.
 *
 * @param meanUs on average
 * @param worstUs at worst
 * @param working how the average came about
 */
public record Latency(double meanUs, double worstUs, Working working) {

  /** {@return the delay under a timing} */
  public static Latency of(Timing timing) {
    double wait = timing.debounce() == Timing.Debounce.DEFERRED ? timing.waitUs() : 0;
    double mean = timing.scanUs() / 2.0 + wait + timing.pollUs() / 2.0;
    double worst = timing.scanUs() + wait + timing.pollUs();
    return new Latency(
        mean,
        worst,
        new Working(
            "press to report, on average",
            "t = scan/2 + wait + poll/2",
            List.of(
                Working.value("scan", timing.scanUs() / 1000.0, 2, "ms", "between two looks"),
                Working.value(
                    "wait",
                    wait / 1000,
                    1,
                    "ms",
                    timing.debounce() == Timing.Debounce.DEFERRED
                        ? "deferred debounce waits for quiet"
                        : "eager debounce adds nothing"),
                Working.value("poll", timing.pollUs() / 1000.0, 1, "ms", "between two reports")),
            Working.number(mean / 1000, 1) + " ms",
            Source.derived("waits are uniform on their period; bounce left out")));
  }
}
