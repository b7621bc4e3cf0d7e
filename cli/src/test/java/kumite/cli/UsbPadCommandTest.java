package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import kumite.files.BuildFile;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A USB pad by its report descriptor, taken into a build. */
public class UsbPadCommandTest {
  private static final String STICK =
      "05 01 09 04 A1 01 05 09 19 01 29 06 15 00 25 01 75 01 95 06 81 02 75 02 95 01 81 03"
          + " 05 01 09 30 09 31 15 81 25 7F 75 08 95 02 81 02 C0";

  private Path folder;
  private Path build;

  @BeforeMethod
  public void makeBuild() throws Exception {
    folder = Files.createTempDirectory("usb-pad");
    build = folder.resolve("b.kumite.json");
    Files.writeString(build, BuildFile.text(Demo.open("attic-pads", Catalogue.standard())));
  }

  @Test
  public void aPadIsPluggedIn() throws Exception {
    Path binary = folder.resolve("stick.bin");
    Files.write(binary, kumite.hid.DescriptorText.hex(STICK).orElseThrow());
    JsonNode told =
        Ran.run(
                "signal",
                "pad",
                binary.toString(),
                "--name",
                "Stick",
                "--into",
                build.toString(),
                "--json")
            .json();
    assertThat(told.get("buttons")).hasSize(6);
    assertThat(told.get("axes").get(1).asText()).isEqualTo("Y");
    String port = told.get("port").asText();
    // The board of this demo is no host: it says so, and names one that is.
    JsonNode findings = Ran.run("check", build.toString(), "--json").json().get("findings");
    assertThat(findings)
        .anyMatch(
            f ->
                f.get("code").asText().equals("LM-02")
                    && f.get("fix").asText().contains("host socket"));
    String text = Files.readString(build);
    Files.writeString(build, text.replace("\"native-3v3-26\"", "\"host-3v3-20\""));
    JsonNode heard =
        Ran.run(
                "signal",
                "simulate",
                "--build",
                build.toString(),
                "--port",
                port,
                "--press",
                "3,X=1",
                "--json")
            .json()
            .get("readings")
            .get(0);
    assertThat(heard.get("held")).hasSize(1);
    assertThat(heard.get("held").get(0).asText()).isEqualTo("3");
    assertThat(heard.get("axes").get("X").asDouble()).isEqualTo(1);
    assertThat(heard.get("presence").asText()).isEqualTo("a pad is there");
  }

  @DataProvider
  public Object[][] wrongs() {
    return new Object[][] {
      {List.of("zz"), "neither a file nor hexadecimal"},
      {List.of("05 01 09 06 A1 01 C0"), "no pad or stick"},
      {List.of(STICK, "--id", "serial-latch-16"), "known already"},
      {List.of(STICK, "--seat", "nobody"), "no seat"},
      {List.of(STICK, "--report", "4"), "none of a pad"},
      {List.of(STICK, "--out", "/no/such/folder/x.json"), "folder"},
    };
  }

  /** What is refused leaves the build as it was. */
  @Test(dataProvider = "wrongs")
  public void nothingIsHalfWritten(List<String> words, String says) throws Exception {
    String before = Files.readString(build);
    List<String> all = new java.util.ArrayList<>(List.of("signal", "pad"));
    all.addAll(words);
    all.addAll(List.of("--into", build.toString()));
    Ran ran = Ran.run(all.toArray(new String[0]));
    assertThat(ran.exit()).isEqualTo(2);
    assertThat(ran.err()).contains(says).doesNotContain("Exception");
    assertThat(Files.readString(build)).isEqualTo(before);
  }

  /** What is written is a kind that a build takes as its own. */
  @Test
  public void theKindIsThatOfAFile() throws Exception {
    Path out = folder.resolve("kind.json");
    Ran ran =
        Ran.run(
            "signal", "pad", STICK, "--name", "Desk stick", "--low-speed", "--out", out.toString());
    assertThat(ran.exit()).isZero();
    assertThat(ran.out()).contains("usb-desk-stick").contains("axes: X, Y");
    kumite.signal.PortKind kind =
        kumite.signal.PortFile.PORT.read(
            new kumite.json.Key("", kumite.json.JsonText.read(Files.readString(out))).here());
    assertThat(kind.buttons()).hasSize(6);
    assertThat(kind.title()).isEqualTo("Desk stick");
  }
}
