package kumite.firmware;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Talk;
import kumite.signal.KeyFrame;

/** The tables of keyboards, which clock bytes out by themselves. */
final class KeyboardRows {
  private static final int EXTENDED_ROW = 256;
  private static final long NS_IN_US = 1000;
  private static final long MOST_WORD = 65_535;

  private final Blueprint blueprint;
  private final Score.Sheet sheet;
  private final LookRows looks;
  private final Map<Talk, Integer> firstKeys = new LinkedHashMap<>();

  KeyboardRows(Blueprint blueprint, Score.Sheet sheet, LookRows looks) {
    this.blueprint = blueprint;
    this.sheet = sheet;
    this.looks = looks;
  }

  /** {@return the keyboards that a program listens to, in the order of its looks} */
  static List<Talk> keyboards(Blueprint blueprint) {
    Set<Talk> keyboards = new LinkedHashSet<>();
    for (Look look : blueprint.looks().all()) {
      if (look.clocked() && look.how() instanceof Look.Frame frame) {
        keyboards.add(frame.talk());
      }
    }
    return List.copyOf(keyboards);
  }

  void write() {
    List<Talk> keyboards = keyboards(blueprint);
    sheet.size("N_KEYBOARDS", keyboards.size());
    int keys = 0;
    for (Talk keyboard : keyboards) {
      KeyFrame frame = (KeyFrame) keyboard.kind().mechanism();
      String label = keyboard.pad().port().label();
      firstKeys.put(keyboard, keys);
      sheet.words("keyboard_keys_at").add(keys, "", label);
      use(keyboard, "clock");
      sheet.number("keyboard_data", use(keyboard, "data"), label);
      sheet
          .words("keyboard_rest_us")
          .add((int) Math.min(MOST_WORD, KeyFrame.restNs(keyboard.kind()) / NS_IN_US));
      for (String key : keyboard.kind().buttons()) {
        List<Integer> code = frame.codes().get(key);
        int last = code.get(code.size() - 1);
        sheet.words("key_code").add(last + (code.size() > 1 ? EXTENDED_ROW : 0), "", key);
      }
      keys += keyboard.kind().buttons().size();
    }
    if (!keyboards.isEmpty()) {
      sheet.words("keyboard_keys_at").add(keys);
    }
    sheet.size("N_KEYS_HELD", keys);
  }

  private int use(Talk keyboard, String line) {
    Terminal terminal = keyboard.lines().get(line);
    if (terminal == null) {
      return -1;
    }
    boolean up = blueprint.looks().pulls().get(terminal.name()) == Looks.Pull.UP;
    return looks.use(terminal, up ? "USE_OF_UP" : "USE_OF_OPEN");
  }

  /** {@return the number of a look's key, of all keys of all keyboards} */
  int place(Look.Frame look) {
    return firstKeys.get(look.talk()) + look.talk().kind().buttons().indexOf(look.says());
  }
}
