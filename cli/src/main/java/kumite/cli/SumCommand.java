package kumite.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.concurrent.Callable;
import kumite.build.Length;
import kumite.build.LengthUnit;
import kumite.power.ESeries;
import kumite.power.LampResistor;
import kumite.power.Wire;
import kumite.working.Working;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** One bench calculation with its working. */
@Command(
    name = "sum",
    description = "One bench calculation with its working and source.",
    mixinStandardHelpOptions = true,
    synopsisSubcommandLabel = "NAME",
    subcommands = {SumCommand.Lamp.class, SumCommand.WireSum.class})
final class SumCommand implements Runnable {
  @Spec private CommandSpec spec;

  @Override
  public void run() {
    spec.commandLine().usage(spec.commandLine().getOut());
  }

  private static void print(CommandSpec spec, boolean json, ObjectNode node, Working working) {
    if (json) {
      node.set("working", Json.working(working));
      spec.commandLine().getOut().println(Json.print(node));
    } else {
      spec.commandLine().getOut().println(working.inWords());
    }
  }

  @Command(
      name = "lamp",
      description = "The series resistor of a lamp: R = (Vs - Vf) / I, next preferred value up.",
      mixinStandardHelpOptions = true)
  static final class Lamp implements Callable<Integer> {
    @Spec private CommandSpec spec;

    @Option(names = "--supply", required = true, paramLabel = "V", description = "Supply in volts.")
    private double supplyVolts;

    @Option(
        names = "--forward",
        required = true,
        paramLabel = "V",
        description = "Forward voltage of the lamp in volts.")
    private double forwardVolts;

    @Option(
        names = "--current",
        required = true,
        paramLabel = "MA",
        description = "Wanted current in mA.")
    private double milliamps;

    @Option(
        names = "--series",
        defaultValue = "E24",
        paramLabel = "E",
        description = "E12 or E24 (default: E24).")
    private ESeries series;

    @Option(names = "--json", description = "Print JSON.")
    private boolean json;

    @Override
    public Integer call() {
      LampResistor lamp = LampResistor.of(supplyVolts, forwardVolts, milliamps, series);
      ObjectNode node = Json.object();
      node.put("sum", "lamp");
      node.put("lights", lamp.lights());
      node.put("exact_ohm", lamp.exactOhm());
      node.put("chosen_ohm", lamp.chosenOhm());
      node.put("current_ma", lamp.milliamps());
      node.put("power_w", lamp.watts());
      node.put("rating_w", lamp.ratingWatts());
      print(spec, json, node, lamp.working());
      return 0;
    }
  }

  @Command(
      name = "wire",
      description = "Diameter, area and resistance of a copper wire.",
      mixinStandardHelpOptions = true)
  static final class WireSum implements Callable<Integer> {
    @Spec private CommandSpec spec;

    @Option(names = "--awg", required = true, paramLabel = "N", description = "Gauge, 0 to 40 AWG.")
    private int awg;

    @Option(
        names = "--length",
        defaultValue = "1000 mm",
        paramLabel = "LENGTH",
        description = "One way, such as 300, 300 mm or 12 in (default: 1000 mm).")
    private String length;

    @Option(names = "--json", description = "Print JSON.")
    private boolean json;

    @Override
    public Integer call() {
      Wire wire = Wire.ofAwg(awg);
      double mm = Length.parse(length, LengthUnit.MM).mm();
      if (mm < 0) {
        throw new IllegalArgumentException("--length must not be negative, but was " + length);
      }
      ObjectNode node = Json.object();
      node.put("sum", "wire");
      node.put("awg", awg);
      node.put("diameter_mm", wire.diameterMm());
      node.put("area_mm2", wire.areaMm2());
      node.put("ohm_per_m", wire.ohmPerMetre());
      node.put("length_mm", mm);
      node.put("resistance_ohm", wire.ohm(mm));
      print(spec, json, node, wire.working(mm));
      return 0;
    }
  }
}
