package kumite.files;

import java.util.List;
import kumite.build.brief.Brief;
import kumite.build.brief.Hand;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.ObjectCodec;
import kumite.codec.Plain;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.room.PartCodec;

/** How the brief stands in the file. */
public final class BriefJson {
  /** The hand's codec. */
  static final ObjectCodec<Hand> HAND = hand();

  /** The brief's codec. */
  public static final PartCodec<Brief> CODEC = new PartCodec<>(Brief.PART, true, brief());

  private BriefJson() {}

  private static Codec<Brief> brief() {
    Fields<Brief> f = new Fields<>();
    Field<Brief, String> title = f.need("title", Plain.LINE, Brief::title);
    Field<Brief, Double> supply =
        f.need("supply_v", Plain.number(Brief.SUPPLY), Brief::supplyVolts)
            .says("what the board gives");
    Field<Brief, Hand> hand = f.need("hand", HAND, Brief::hand);
    Field<Brief, LengthUnit> units =
        f.need(
            "units",
            Plain.words(List.of(LengthUnit.MM, LengthUnit.INCH), LengthUnit::symbol),
            Brief::units);
    return f.make(in -> new Brief(in.get(title), in.get(supply), in.get(hand), in.get(units)));
  }

  private static ObjectCodec<Hand> hand() {
    Fields<Hand> f = new Fields<>();
    Field<Hand, Hand.Uses> uses = f.need("uses", Plain.word(Hand.Uses.class), Hand::uses);
    Field<Hand, Double> reach = f.need("reach_mm", Plain.number(Hand.REACH), Hand::reachMm);
    Field<Hand, Double> breadth = f.need("breadth_mm", Plain.number(Hand.BREADTH), Hand::breadthMm);
    Field<Hand, Double> span = f.need("span_mm", Plain.number(Hand.SPAN), Hand::spanMm);
    Field<Hand, Double> force = f.need("force_n", Plain.number(Hand.FORCE), Hand::forceN);
    Field<Hand, Double> wander =
        f.need("wander_mm", Plain.number(Hand.WANDER), Hand::wanderMm)
            .says("scatter of presses, one standard deviation");
    Field<Hand, Boolean> measured = f.need("measured", Plain.TRUTH, Hand::measured);
    Field<Hand, List<Hand.Rest>> rests =
        f.need("rests", Plain.list(rest(), 0, Hand.MOST_RESTS), Hand::rests);
    return f.make(
        in ->
            new Hand(
                in.get(uses),
                in.get(reach),
                in.get(breadth),
                in.get(span),
                in.get(force),
                in.get(wander),
                in.get(measured),
                in.get(rests)));
  }

  private static Codec<Hand.Rest> rest() {
    Fields<Hand.Rest> f = new Fields<>();
    Field<Hand.Rest, String> name = f.need("name", Plain.LINE, Hand.Rest::name);
    Field<Hand.Rest, Double> x = f.need("x_mm", Names.ALONG, rest -> rest.at().xMm());
    Field<Hand.Rest, Double> y = f.need("y_mm", Names.ALONG, rest -> rest.at().yMm());
    return f.make(in -> new Hand.Rest(in.get(name), new Point(in.get(x), in.get(y))));
  }
}
