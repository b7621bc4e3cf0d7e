package kumite.sheet;

/**
 * The typefaces of a sheet; their files ship with the application. The first three are chosen, the
 * others stand in for signs that those lack, in this order.
 */
enum Face {
  WORDS("AtkinsonHyperlegibleNext_400Regular"),
  STRONG("AtkinsonHyperlegibleNext_700Bold"),
  MONO("MartianMono_400Regular"),
  /** Greek, Cyrillic, Arabic, Hebrew and many symbols. */
  WIDE("DejaVuSans"),
  /** Kana and the kanji in common use. */
  JAPANESE("SawarabiGothic_400Regular"),
  /** Pictures in one colour. */
  PICTURES("NotoEmoji_400Regular");

  private final String file;

  Face(String file) {
    this.file = file;
  }

  String resource() {
    return "/kumite/fonts/" + file + ".ttf";
  }
}
