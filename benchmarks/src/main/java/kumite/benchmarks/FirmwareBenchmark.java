package kumite.benchmarks;

import java.util.Map;
import java.util.concurrent.TimeUnit;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.firmware.Firmware;
import kumite.parts.Catalogue;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The code of a build written down, beside the wiring chart of the same build. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 4, time = 1)
public class FirmwareBenchmark {
  private Bench bench;

  /** The usual demo. */
  @Setup
  public void setUp() throws BuildFileException {
    bench = Bench.of(Demo.open(Demo.USUAL, Catalogue.standard()), Catalogue.standard());
  }

  /** Aim: below 200 ms. */
  @Benchmark
  public Map<String, byte[]> portable() {
    return Exports.FIRMWARE.files(bench, Export.Choices.USUAL);
  }

  /** What a re-check asks of it: whether the program fits. */
  @Benchmark
  public boolean fits() {
    return bench
        .firmware()
        .footprint(bench.board().orElseThrow().brain().memory().orElseThrow())
        .exact();
  }

  /** A sketch, without checks to play. */
  @Benchmark
  public Map<String, String> sketch() {
    return bench.firmware().files(Firmware.Target.SKETCH, bench.stops());
  }

  /** Beside it. */
  @Benchmark
  public byte[] wiringChart() {
    return Exports.WIRING.content(bench, Export.Choices.USUAL);
  }
}
