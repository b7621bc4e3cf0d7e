package kumite.circuit;

import java.util.Locale;
import java.util.TreeMap;

/**
 * A circuit as a SPICE deck with {@code .op}, so that anyone can check it with a simulator of their
 * own.
 *
 * <p>Open switches are resistors of 1 Tohm. The junction's conductance and the temperature are the
 * usual ones, GMIN 1e-12 and 27 C.
 */
public final class SpiceDeck {
  private static final double OPEN_OHM = 1e12;

  private SpiceDeck() {}

  /**
   * {@return the deck}
   *
   * @param title its first line, which simulators take as the title
   */
  public static String of(String title, Circuit circuit) {
    StringBuilder deck = new StringBuilder(oneLine(title)).append('\n');
    TreeMap<String, Element.Model> models = new TreeMap<>();
    for (Element element : circuit.elements()) {
      String ends = element.a() + " " + element.b() + " ";
      if (element instanceof Element.Resistor resistor) {
        line(deck, "R" + resistor.name(), ends + number(resistor.ohm()));
      } else if (element instanceof Element.Source source) {
        line(deck, "V" + source.name(), ends + "DC " + number(source.volts()));
      } else if (element instanceof Element.Switch contact) {
        deck.append("* switch ").append(contact.name());
        deck.append(contact.closed() ? " closed\n" : " open\n");
        line(
            deck,
            "RS" + contact.name(),
            ends + number(contact.closed() ? contact.ohm() : OPEN_OHM));
      } else if (element instanceof Element.Diode diode) {
        models.put("M" + diode.name(), diode.model());
        line(deck, "D" + diode.name(), ends + "M" + diode.name());
      }
    }
    models.forEach(
        (name, model) ->
            deck.append(
                String.format(
                    Locale.ROOT,
                    ".model %s D (IS=%s N=%s RS=%s)%n",
                    name,
                    number(model.saturationAmps()),
                    number(model.emission()),
                    number(model.seriesOhm()))));
    return deck.append(".op\n.end\n").toString().replace("\r\n", "\n");
  }

  private static void line(StringBuilder deck, String name, String rest) {
    deck.append(name).append(' ').append(rest).append('\n');
  }

  /** A simulator reads to the line's end, and E as exponent; prefixes would be read differently. */
  private static String number(double value) {
    return String.format(Locale.ROOT, "%.9g", value);
  }

  private static String oneLine(String title) {
    return title.replaceAll("\\s+", " ").strip();
  }
}
