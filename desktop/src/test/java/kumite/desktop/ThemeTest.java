package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.assertj.core.api.SoftAssertions;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The stylesheet's colours, and the pictures that the README links. */
public class ThemeTest {

  private static String css() throws Exception {
    try (InputStream stream = ThemeTest.class.getResourceAsStream("/kumite/desktop/workshop.css")) {
      return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  /** {@return the named colours of one theme; the dark one overrides the light one's} */
  private static Map<String, String> tokens(boolean dark) throws Exception {
    String css = css();
    Map<String, String> tokens = new HashMap<>();
    read(css.substring(css.indexOf(".root {"), css.indexOf(".shell.dark {")), tokens);
    if (dark) {
      int from = css.indexOf(".shell.dark {");
      read(css.substring(from, css.indexOf('}', from)), tokens);
    }
    return tokens;
  }

  private static void read(String block, Map<String, String> tokens) {
    Matcher match = Pattern.compile("(-[a-z0-9-]+): (#[0-9a-f]{6,8});").matcher(block);
    while (match.find()) {
      tokens.put(match.group(1), match.group(2));
    }
  }

  @DataProvider
  Object[][] themes() {
    return new Object[][] {{false}, {true}};
  }

  /** WCAG 2.1, success criterion 1.4.3: text has a contrast of at least 4.5 to 1. */
  @Test(dataProvider = "themes")
  public void textMeetsTheContrastOfWcagAa(boolean dark) throws Exception {
    Map<String, String> tokens = tokens(dark);
    String[][] pairs = {
      {"-ink", "-paper"},
      {"-ink", "-sheet"},
      {"-ink", "-panel-face"},
      {"-ink", "-indigo-pale"},
      {"-ink-2", "-paper"},
      {"-ink-2", "-sheet"},
      {"-ink-2", "-panel-face"},
      {"-ink-2", "-indigo-pale"},
      {"-indigo", "-sheet"},
      {"-indigo", "-indigo-pale"},
      {"-indigo", "-panel-face"},
      {"-on-indigo", "-indigo"},
      {"-stop", "-paper"},
      {"-stop", "-sheet"},
      {"-stop", "-stop-pale"},
      {"-stop", "-indigo-pale"},
      {"-look", "-paper"},
      {"-look", "-sheet"},
      {"-look", "-look-pale"},
      {"-look", "-indigo-pale"},
      {"-fine", "-paper"},
      {"-fine", "-sheet"},
      {"-fine", "-fine-pale"},
      {"-fine", "-indigo-pale"},
      {"-live-ink", "-sheet"},
      {"-live-ink", "-indigo-pale"},
      {"-live-ink", "-live-pale"},
    };
    SoftAssertions all = new SoftAssertions();
    for (String[] pair : pairs) {
      all.assertThat(contrast(tokens.get(pair[0]), tokens.get(pair[1])))
          .as("%s on %s, dark %s", pair[0], pair[1], dark)
          .isGreaterThanOrEqualTo(4.5);
    }
    // Live words are bold and large enough on their ground: criterion 1.4.3 asks 3 to 1 of these.
    all.assertThat(contrast(tokens.get("-on-live"), tokens.get("-live")))
        .isGreaterThanOrEqualTo(3.0);
    all.assertAll();
  }

  /** Relative luminance and contrast ratio as WCAG 2.1 defines them. */
  private static double contrast(String one, String other) {
    double a = luminance(one);
    double b = luminance(other);
    return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
  }

  private static double luminance(String hex) {
    double[] weights = {0.2126, 0.7152, 0.0722};
    double sum = 0;
    for (int i = 0; i < 3; i++) {
      double c = Integer.parseInt(hex.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
      sum += weights[i] * (c <= 0.03928 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4));
    }
    return sum;
  }

  /**
   * The check itself, against the ratios WCAG gives: black on white 21, grey 767676 on white 4.54.
   */
  @Test
  public void theContrastFormulaIsTheStandards() {
    assertThat(contrast("#000000", "#ffffff")).isEqualTo(21.0);
    assertThat(contrast("#767676", "#ffffff")).isBetween(4.53, 4.55);
  }

  /**
   * Colours stand in the first blocks alone: every other rule, from the first to the last line of
   * the sheet, goes by their names, so that a theme changes all.
   */
  @Test
  public void coloursAreNamedInOnePlace() throws Exception {
    String css = css().replaceAll("(?s)/\\*.*?\\*/", "");
    StringBuilder rules = new StringBuilder();
    Matcher block = Pattern.compile("([^{}]+)\\{([^}]*)\\}").matcher(css);
    int named = 0;
    while (block.find()) {
      String selector = block.group(1).strip();
      boolean names = selector.equals(".root") || selector.equals(".shell.dark");
      named += names ? 1 : 0;
      rules.append(
          names
              // Within the blocks of names a colour follows a name of ours.
              ? block
                  .group(2)
                  .replaceAll("(?m)^\\s*-(?!fx-|color-)[a-z0-9-]+:\\s*#[0-9a-f]{6,8};", "")
              : block.group(2));
      rules.append('\n');
    }
    assertThat(named).isEqualTo(2);
    Matcher stray =
        Pattern.compile(
                "#[0-9a-fA-F]{3,8}\\b|rgba?\\(|hsba?\\(|(?<=[:, ])(white|black|gr[ae]y|red)\\b")
            .matcher(rules);
    java.util.List<String> strays = new java.util.ArrayList<>();
    while (stray.find()) {
      strays.add(rules.substring(Math.max(0, stray.start() - 40), stray.end()).strip());
    }
    assertThat(strays).isEmpty();
  }

  /** A colour that is named in one theme is named in the other, and each is used. */
  @Test
  public void bothThemesNameTheSameColoursAndEachIsUsed() throws Exception {
    String css = css();
    int from = css.indexOf(".shell.dark {");
    Map<String, String> dark = new HashMap<>();
    read(css.substring(from, css.indexOf('}', from)), dark);
    Map<String, String> light = tokens(false);
    assertThat(light.keySet()).isEqualTo(dark.keySet());
    for (String name : light.keySet()) {
      assertThat(Pattern.compile(name + "(?![a-z0-9-]|: #)").matcher(css).find())
          .as("%s is used", name)
          .isTrue();
    }
  }

  @Test
  public void everyPictureThatTheReadmeLinksIsThere() throws Exception {
    Matcher match =
        Pattern.compile("\\((docs/[a-z0-9/.-]+)\\)")
            .matcher(Files.readString(Path.of("../README.md")));
    int links = 0;
    while (match.find()) {
      links++;
      assertThat(Path.of("..").resolve(match.group(1))).exists();
    }
    assertThat(links).isGreaterThan(12);
  }
}
