package kumite.verdict;

import kumite.build.Build;
import kumite.name.Joint;
import kumite.name.Jumper;

/** What a builder calls a place or a wire: by the control's label, or by what a lead is. */
record Called(Build build) {

  String wire(Jumper wire) {
    return place(wire.a()) + " to " + place(wire.b());
  }

  String place(Joint joint) {
    String part =
        build.controls().stream()
            .filter(control -> control.id().text().equals(joint.part()))
            .map(control -> control.label())
            .findFirst()
            .orElse(joint.part());
    if (joint.part().equals(Joint.BOARD)) {
      return joint.tab();
    }
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
