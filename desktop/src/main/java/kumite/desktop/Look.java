package kumite.desktop;

import java.io.InputStream;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/** Fonts and styles, all of which ship with the application. */
final class Look {
  private static final String[] FONTS = {
    "AtkinsonHyperlegibleNext_400Regular",
    "AtkinsonHyperlegibleNext_600SemiBold",
    "AtkinsonHyperlegibleNext_700Bold",
    "MartianMono_400Regular",
    "MartianMono_600SemiBold"
  };

  private Look() {}

  /** Loads the fonts; call once before the first window. */
  static void loadFonts() {
    for (String font : FONTS) {
      InputStream stream = Look.class.getResourceAsStream("/kumite/fonts/" + font + ".ttf");
      if (stream == null || Font.loadFont(stream, 13) == null) {
        throw new IllegalStateException("the application lacks its font " + font);
      }
    }
  }

  /** {@return the base theme, in its compiled form, which loads faster} */
  static String baseTheme() {
    return Look.class.getResource("/atlantafx/base/theme/primer-light.bss").toExternalForm();
  }

  /** Puts our own stylesheet over the base theme. */
  static void dress(Scene scene) {
    scene
        .getStylesheets()
        .add(Look.class.getResource("/kumite/desktop/workshop.css").toExternalForm());
  }
}
