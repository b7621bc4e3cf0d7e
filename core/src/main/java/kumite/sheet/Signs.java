package kumite.sheet;

import com.ibm.icu.text.ArabicShaping;
import com.ibm.icu.text.ArabicShapingException;
import com.ibm.icu.text.Bidi;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * Which typeface prints which sign, and in which order signs stand on paper.
 *
 * <p>Letters that join are given their joined forms and what runs from right to left is turned
 * round (Unicode Standard Annex 9), since a page is written from left to right.
 */
final class Signs {
  /** What stands for a sign that no typeface has. */
  static final char MISSING = '?';

  private static final Face[] STAND_INS = {Face.WIDE, Face.JAPANESE, Face.PICTURES};
  private static final Map<Face, CmapLookup> LOADED = new ConcurrentHashMap<>();
  private static final Map<Integer, Optional<Face>> STANDING_IN = new ConcurrentHashMap<>();

  /** A stretch of text in one typeface. */
  record Run(Face face, String text) {}

  private Signs() {}

  /** {@return a text as it stands on paper from left to right, parted by typeface} */
  static List<Run> runs(Face wanted, String text) {
    List<Run> runs = new ArrayList<>();
    StringBuilder run = new StringBuilder();
    Face face = wanted;
    for (int sign : visual(text).codePoints().toArray()) {
      if (silent(sign)) {
        continue;
      }
      Face next = has(wanted, sign) ? wanted : standIn(sign).orElse(wanted);
      if (next != face && !run.isEmpty()) {
        runs.add(new Run(face, run.toString()));
        run.setLength(0);
      }
      face = next;
      if (has(next, sign)) {
        run.appendCodePoint(sign);
      } else {
        run.append(MISSING);
      }
    }
    if (!run.isEmpty()) {
      runs.add(new Run(face, run.toString()));
    }
    return runs;
  }

  /** {@return the signs of a text that no typeface has, each once} */
  static List<String> missing(String text) {
    return visual(text)
        .codePoints()
        .filter(sign -> !silent(sign) && !has(Face.WORDS, sign) && standIn(sign).isEmpty())
        .distinct()
        .mapToObj(Character::toString)
        .toList();
  }

  private static String visual(String text) {
    if (!Bidi.requiresBidi(text.toCharArray(), 0, text.length())) {
      return text;
    }
    try {
      int how =
          ArabicShaping.LETTERS_SHAPE
              | ArabicShaping.LENGTH_GROW_SHRINK
              | ArabicShaping.TEXT_DIRECTION_LOGICAL;
      String joined = new ArabicShaping(how).shape(text);
      return new Bidi(joined, Bidi.LEVEL_DEFAULT_LTR).writeReordered(Bidi.DO_MIRRORING);
    } catch (ArabicShapingException e) {
      return text; // written letter by letter, it can still be read
    }
  }

  /** Joiners and variation selectors have no picture of their own. */
  private static boolean silent(int sign) {
    return sign >= 0xFE00 && sign <= 0xFE0F
        || sign >= 0x1F3FB && sign <= 0x1F3FF
        || Character.getType(sign) == Character.FORMAT;
  }

  private static Optional<Face> standIn(int sign) {
    return STANDING_IN.computeIfAbsent(
        sign,
        s -> {
          for (Face face : STAND_INS) {
            if (has(face, s)) {
              return Optional.of(face);
            }
          }
          return Optional.empty();
        });
  }

  private static boolean has(Face face, int sign) {
    return LOADED.computeIfAbsent(face, Signs::load).getGlyphId(sign) > 0;
  }

  private static CmapLookup load(Face face) {
    try {
      // The table of signs is read at once; the rest of the file is let go.
      return new TTFParser().parse(new RandomAccessReadBuffer(bytes(face))).getUnicodeCmapLookup();
    } catch (IOException e) {
      throw new UncheckedIOException("a typeface of the application is damaged", e);
    }
  }

  static byte[] bytes(Face face) throws IOException {
    try (InputStream stream = Signs.class.getResourceAsStream(face.resource())) {
      if (stream == null) {
        throw new IOException("the application lacks its font " + face.resource());
      }
      return stream.readAllBytes();
    }
  }
}
