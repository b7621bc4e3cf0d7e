package kumite.wiring;

import java.util.Locale;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.lead.Lead;
import kumite.name.Joint;
import kumite.name.Jumper;

/** What a builder calls a place or a wire: by the control's label, or by what a lead is. */
public record Called(Build build) {

  /** {@return what it is called} */
  public String wire(Jumper wire) {
    return place(wire.a()) + " to " + place(wire.b());
  }

  /** {@return what it is called} */
  public String place(Joint joint) {
    if (joint.part().equals(Joint.BOARD)) {
      return joint.tab();
    }
    for (Lead lead : build.leads().leads()) {
      if (Neighbourhood.partOf(lead).equals(joint.part())) {
        return "pin " + joint.tab() + " of " + lead.name();
      }
    }
    for (Seat seat : build.seats()) {
      if (joint.part().equals(Joint.boardOf(seat.id()))) {
        return joint.tab() + " of seat " + seat.id();
      }
      String end = "-" + seat.id().text().toUpperCase(Locale.ROOT);
      if (Character.isUpperCase(joint.part().charAt(0)) && joint.part().endsWith(end)) {
        String own = joint.part().substring(0, joint.part().length() - end.length());
        return own.toLowerCase(Locale.ROOT) + " " + joint.tab() + " of seat " + seat.id();
      }
    }
    String part =
        build.labelled().stream()
            .filter(control -> control.id().text().equals(joint.part()))
            .map(control -> control.label())
            .findFirst()
            .orElse(joint.part());
    // The free lead of a part has no mark on it: it is called by what it is.
    return switch (joint.tab().substring(joint.tab().lastIndexOf('.') + 1)) {
      case "R" -> part + "'s resistor";
      case "D" -> part + "'s diode";
      case "PULL" -> part + "'s pull-up";
      case "TAP" -> part + "'s splice";
      default -> part + " " + joint.tab();
    };
  }
}
