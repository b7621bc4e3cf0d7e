package kumite.lead;

import java.util.List;

/** What is at the pins of both ends of a lead. */
public interface Ends {
  /** {@return what is at a pin} */
  AtPin at(Where where, String pin);

  /** {@return all pins of an end, in order; empty where that is not known} */
  List<String> pins(Where where);

  /** {@return what an end is, in words} */
  String words(Where where);

  /** {@return the ends of a lead between two plugs} */
  static Ends of(Lead lead, Plugs plugs) {
    return new Ends() {
      @Override
      public AtPin at(Where where, String pin) {
        if (!(lead.end(where) instanceof End.Plug plug)) {
          return AtPin.UNKNOWN;
        }
        return plugs
            .pinout(plug)
            .flatMap(pinout -> pinout.at(pin).map(p -> AtPin.of(pinout, p, plug.beyond())))
            .orElse(AtPin.UNKNOWN);
      }

      @Override
      public List<String> pins(Where where) {
        return plugs.connector(lead.end(where)).map(ConnectorKind::names).orElse(List.of());
      }

      @Override
      public String words(Where where) {
        return lead.end(where) instanceof End.Plug plug
            ? plugs.connector(plug).map(ConnectorKind::name).orElse(plug.connector())
            : "board";
      }
    };
  }
}
