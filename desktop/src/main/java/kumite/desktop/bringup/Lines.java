package kumite.desktop.bringup;

import com.fazecast.jSerialComm.SerialPort;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Consumer;

/** Where the lines of a board come from: a serial port of any desktop system, or a file. */
final class Lines implements AutoCloseable {
  private static final int BAUD = 115_200;
  private static final int WAIT_MS = 200;

  private final InputStream in;
  private final Runnable end;
  private volatile boolean over;

  private Lines(InputStream in, Runnable end) {
    this.in = in;
    this.end = end;
  }

  /**
   * Opens a file, or else a port of that name at 115 200 baud.
   *
   * @throws IOException in words for people, if there is neither
   */
  static Lines open(String name) throws IOException {
    Path file = Path.of(name);
    if (Files.isRegularFile(file)) {
      InputStream in = Files.newInputStream(file);
      return new Lines(in, () -> {});
    }
    SerialPort port;
    try {
      port = SerialPort.getCommPort(name);
    } catch (RuntimeException | LinkageError e) {
      throw new IOException("there is no file or port " + name + "; look at its name", e);
    }
    port.setBaudRate(BAUD);
    port.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, WAIT_MS, 0);
    if (!port.openPort()) {
      throw new IOException(
          name + " cannot be opened; is the board plugged in, and no other program on it?");
    }
    return new Lines(port.getInputStreamWithSuppressedTimeoutExceptions(), port::closePort);
  }

  /**
   * Reads on a thread of its own until the source ends or this is closed.
   *
   * @param line told of each line
   * @param ended told in words why no more come
   */
  void read(Consumer<String> line, Consumer<String> ended) {
    Thread thread =
        new Thread(
            () -> {
              try (BufferedReader reader =
                  new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
                String text;
                while (!over && (text = reader.readLine()) != null) {
                  line.accept(text);
                }
                ended.accept("no more lines came");
              } catch (IOException | UncheckedIOException e) {
                if (!over) {
                  ended.accept("the board is gone: " + e.getMessage());
                }
              } finally {
                end.run();
              }
            },
            "kumite-live");
    thread.setDaemon(true);
    thread.start();
  }

  @Override
  public void close() {
    over = true;
    try {
      in.close();
    } catch (IOException e) {
      // It was closed already, which is what is wanted.
      over = true;
    }
    end.run();
  }
}
