package kumite.verdict;

import java.nio.charset.StandardCharsets;
import java.util.List;
import kumite.build.Build;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.finding.Subject;
import kumite.measure.Range;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.PartCodec;
import kumite.room.Sight;

/** A station that no application has: how many spare parts lie on the shelf. */
public final class SparesRoom implements Room {
  static final Station STATION = new Station("Spares");

  /**
   * What is on the shelf.
   *
   * @param spares how many parts, 0 to 1000
   */
  record Shelf(int spares) implements Decided<Shelf> {
    static final Range SPARES = Range.of(0, 1000);
    static final Part<Shelf> PART = new Part<>("shelf", new Shelf(0));

    Shelf {
      SPARES.check(spares, "spares");
    }
  }

  enum Says implements Code {
    TOO_FEW;

    @Override
    public Said said() {
      return new Said(STATION, "SP-01", Severity.LOOK);
    }
  }

  /** One part in ten †. */
  static final Derivation<Integer> WANTED =
      Derivation.of(
          "spares wanted",
          Sight.of(Facet.CONTROLS),
          given -> (given.build().controls().size() + 9) / 10);

  static final Derivation<List<Finding>> FINDINGS =
      Derivation.<List<Finding>>of(
              "findings of spares",
              Sight.of(Facet.of(Shelf.PART)),
              given -> {
                int wanted = given.get(WANTED);
                int there = given.build().get(Shelf.PART).spares();
                return there >= wanted
                    ? List.of()
                    : List.of(
                        Finding.of(
                                Says.TOO_FEW,
                                List.of(new Subject.Thing("shelf")),
                                wanted + " spares are wanted, " + there + " are there",
                                "One part in ten fails in the first year")
                            .mendedBy(
                                Fix.of(
                                    "Take " + wanted,
                                    build -> build.with(Shelf.PART, new Shelf(wanted)))));
              })
          .from(WANTED);

  static final Export ORDER =
      Export.of(
              "spares",
              "Spares to order",
              "spares.txt",
              bench -> ("spares " + bench.get(WANTED) + "\n").getBytes(StandardCharsets.UTF_8))
          .once();

  @Override
  public Station station() {
    return STATION;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(new PartCodec<>(Shelf.PART, false, shelf()));
  }

  private static Codec<Shelf> shelf() {
    Fields<Shelf> f = new Fields<>();
    Field<Shelf, Integer> spares = f.need("spares", Plain.whole(Shelf.SPARES), Shelf::spares);
    return f.make(in -> new Shelf(in.get(spares)));
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(Says.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(ORDER);
  }

  @Override
  public List<String> demos() {
    return List.of();
  }

  static Build with(Build build, int spares) {
    return build.with(Shelf.PART, new Shelf(spares));
  }
}
