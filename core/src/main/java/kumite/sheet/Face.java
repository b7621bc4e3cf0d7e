package kumite.sheet;

/** The typefaces of a sheet; their files ship with the application. */
enum Face {
  WORDS("AtkinsonHyperlegibleNext_400Regular"),
  STRONG("AtkinsonHyperlegibleNext_700Bold"),
  MONO("MartianMono_400Regular");

  private final String file;

  Face(String file) {
    this.file = file;
  }

  String resource() {
    return "/kumite/fonts/" + file + ".ttf";
  }
}
