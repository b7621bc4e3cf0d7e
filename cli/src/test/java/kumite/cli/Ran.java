package kumite.cli;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.PrintWriter;
import java.io.StringWriter;
import picocli.CommandLine;

/** What a command printed, and how it ended. */
record Ran(int exit, String out, String err) {

  /** Runs a command line as a shell would, but for the process. */
  static Ran run(String... args) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    CommandLine line = KumiteCommand.commandLine();
    line.setOut(new PrintWriter(out, true));
    line.setErr(new PrintWriter(err, true));
    int exit = line.execute(args);
    return new Ran(exit, out.toString(), err.toString());
  }

  JsonNode json() throws Exception {
    return new ObjectMapper().readTree(out);
  }
}
