package kumite.files;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermission;
import java.util.Set;

/**
 * Writes a file whole or not at all: beside it first, then moved into place, so that whatever
 * happens the old file or the new one is there.
 *
 * <p>A link stays a link, what it points to is written; permissions stay. The half-written file has
 * one name for each file and is locked by whoever writes it, so a second writer is told. A half
 * left by a program that was killed is taken over by the next one.
 */
public final class WholeFile {
  private WholeFile() {}

  /**
   * Writes a file.
   *
   * @throws BuildFileException if it cannot be written; the old file is then untouched
   */
  public static void write(Path file, byte[] content) throws BuildFileException {
    Path target = target(file);
    Path folder = target.toAbsolutePath().getParent();
    if (Files.isDirectory(target)) {
      throw refusal(file, "is a folder", "give a file name");
    }
    if (folder == null || !Files.isDirectory(folder)) {
      throw refusal(file, "its folder does not exist", "make the folder first");
    }
    if (Files.exists(target) && !Files.isWritable(target)) {
      throw refusal(file, "is write-protected", "choose another name, or allow writing to it");
    }
    Path half = target.resolveSibling("." + target.getFileName() + ".half");
    try (FileChannel channel = claimed(half, file)) {
      try {
        FileLock lock = channel.tryLock();
        if (lock == null) {
          throw busy(file);
        }
        fill(channel, content);
        keepPermissions(target, half);
        move(half, target);
      } catch (OverlappingFileLockException e) {
        throw busy(file);
      } finally {
        Files.deleteIfExists(half);
      }
    } catch (IOException e) {
      throw refusal(
          file, "cannot be written (" + reason(e) + ")", "the old file, if any, is untouched");
    }
  }

  /** {@return where a link leads, or the file itself} */
  private static Path target(Path file) throws BuildFileException {
    Path at = file;
    try {
      for (int links = 0; Files.isSymbolicLink(at) && links < 40; links++) {
        at = at.toAbsolutePath().getParent().resolve(Files.readSymbolicLink(at));
      }
    } catch (IOException e) {
      throw refusal(file, "is a link that cannot be followed", "name the file itself");
    }
    if (Files.isSymbolicLink(at)) {
      throw refusal(file, "is a link that leads to itself", "name the file itself");
    }
    return at;
  }

  private static FileChannel claimed(Path half, Path file) throws IOException, BuildFileException {
    try {
      return FileChannel.open(half, StandardOpenOption.WRITE, StandardOpenOption.CREATE_NEW);
    } catch (FileAlreadyExistsException e) {
      if (!abandoned(half)) {
        throw busy(file);
      }
      Files.deleteIfExists(half);
      return FileChannel.open(half, StandardOpenOption.WRITE, StandardOpenOption.CREATE_NEW);
    }
  }

  /** Whoever writes a half holds its lock; a killed program holds none. */
  private static boolean abandoned(Path half) throws IOException {
    try (FileChannel channel = FileChannel.open(half, StandardOpenOption.WRITE)) {
      return channel.tryLock() != null;
    } catch (OverlappingFileLockException e) {
      return false;
    } catch (NoSuchFileException e) {
      return true; // the other one has just finished
    }
  }

  private static void fill(FileChannel channel, byte[] content) throws IOException {
    ByteBuffer bytes = ByteBuffer.wrap(content);
    while (bytes.hasRemaining()) {
      channel.write(bytes);
    }
    channel.force(true);
  }

  private static void keepPermissions(Path target, Path half) throws IOException {
    PosixFileAttributeView to = Files.getFileAttributeView(half, PosixFileAttributeView.class);
    if (to != null && Files.exists(target)) {
      Set<PosixFilePermission> same = Files.getPosixFilePermissions(target);
      to.setPermissions(same);
    }
  }

  private static void move(Path half, Path target) throws IOException {
    try {
      Files.move(half, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (AtomicMoveNotSupportedException e) {
      Files.move(half, target, StandardCopyOption.REPLACE_EXISTING);
    }
  }

  private static BuildFileException busy(Path file) {
    return refusal(
        file, "is being written by another program just now", "try again when that has finished");
  }

  private static BuildFileException refusal(Path file, String what, String remedy) {
    return new BuildFileException(file.toString(), "", what, remedy);
  }

  /** {@return why a file could not be read or written, in words} */
  static String reason(IOException e) {
    if (e instanceof java.nio.file.AccessDeniedException) {
      return "no permission";
    }
    String text = e instanceof java.nio.file.FileSystemException f ? f.getReason() : e.getMessage();
    return text == null ? "the file system refused" : text;
  }
}
