package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kumite.build.supply.Rgb;
import kumite.device.Trace;
import kumite.loom.Supplied;
import kumite.verdict.Bench;

/**
 * What the strips of a seat are told in a play.
 *
 * @param told in order; none where there is no strip, or no program that tells it
 */
record Strips(List<Told> told) {
  /** One strip is told a colour. */
  private record Told(long us, Supplied strip, Rgb colour) {}

  static Strips of(Bench bench, Trace trace) {
    List<Told> told = new ArrayList<>();
    String profile = bench.device().profile().name();
    bench
        .board()
        .ifPresent(
            board -> {
              for (Trace.Lit lit : trace.lit()) {
                for (Supplied strip : bench.loom().strips(board)) {
                  lit.colour(strip.part().shows(), trace.profile(lit.us(), profile))
                      .ifPresent(colour -> told.add(new Told(lit.us(), strip, colour)));
                }
              }
            });
    return new Strips(told);
  }

  void print(PrintWriter out) {
    for (Told one : told) {
      out.printf(
          Locale.ROOT,
          "%7.3f ms  %s: %d lamps %s%n",
          one.us / 1000.0,
          one.strip.part().label(),
          one.strip.part().count(),
          one.colour.text());
    }
  }

  void into(ObjectNode root) {
    if (told.isEmpty()) {
      return;
    }
    ArrayNode nodes = root.putArray("strips");
    for (Told one : told) {
      nodes
          .addObject()
          .put("time_ms", one.us / 1000.0)
          .put("strip", one.strip.part().id().text())
          .put("lamps", one.strip.part().count())
          .put("colour", one.colour.text());
    }
  }
}
