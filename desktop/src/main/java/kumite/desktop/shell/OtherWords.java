package kumite.desktop.shell;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** Finds names by the words people use for a thing, not only by the word that Kumite uses. */
final class OtherWords {
  /** Begun words shorter than this stand only for themselves. */
  private static final int LEAST = 3;

  /** Words of one line mean the same at a bench; common practice, no source. */
  private static final List<List<String>> SAME =
      Stream.of(
              "lever,joystick,bat",
              "stick,thumbstick,analog",
              "button,pushbutton,plunger",
              "slider,fader,throttle",
              "knob,pot,potentiometer,dial",
              "encoder,spinner,wheel",
              "trackball,ball",
              "toggle,switch,rocker",
              "wire,strand,cable,lead",
              "pin,terminal,gpio",
              "common,ground,gnd,earth,daisy",
              "board,controller,encoder,microcontroller",
              "lamp,led,light",
              "template,stencil,paper",
              "sheet,print,pdf,report",
              "labels,stickers,tags",
              "export,write,print,output",
              "map,assign,bind",
              "dark,theme,night,colours",
              "light,theme,day",
              "millimetres,mm,metric,units,settings",
              "inches,imperial,units,settings",
              "dark or light,settings",
              "sums,calculator,arithmetic",
              "undo,back,revert",
              "finding,error,warning,problem,fault",
              "delete,remove",
              "copy,duplicate",
              "find,search")
          .map(line -> List.of(line.split(",")))
          .toList();

  private OtherWords() {}

  /** How well a name answers what was typed. */
  enum Hit {
    /** The name begins so. */
    BEGINS,
    /** All words typed are in it. */
    NAMED,
    /** Each word typed is in it, or another word for the same. */
    MEANT,
    NONE
  }

  /**
   * {@return how well a name of a kind of thing answers what was typed; an empty text finds all}
   */
  static Hit of(String kind, String name, String typed) {
    String asked = typed.toLowerCase(Locale.ROOT).strip();
    String named = name.toLowerCase(Locale.ROOT);
    String all = kind + " " + named;
    if (named.startsWith(asked)) {
      return Hit.BEGINS;
    }
    String[] words = asked.split("\\s+");
    if (Arrays.stream(words).allMatch(all::contains)) {
      return Hit.NAMED;
    }
    return Arrays.stream(words).allMatch(word -> all.contains(word) || meant(word, all))
        ? Hit.MEANT
        : Hit.NONE;
  }

  private static boolean meant(String word, String all) {
    return word.length() >= LEAST
        && SAME.stream()
            .filter(same -> same.stream().anyMatch(one -> one.startsWith(word)))
            .flatMap(List::stream)
            .anyMatch(all::contains);
  }
}
