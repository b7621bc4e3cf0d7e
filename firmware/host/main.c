/*
 * The device on this computer: reads a script, prints its reports, one a line: microseconds since
 * the script began, report id, bytes; and what a console takes, bit by bit, where that changes.
 */
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "host.h"
#include "world_tables.h"

#define MOST_TEXT (1U << 20)

static const char usage[] =
    "usage: device-host [--seed N] [--power-up CONTACT]... [--profile NAME] [--away FROM+FOR]...\n"
    "                   [--start MICROSECONDS] [--noise CODES] [--self-test] [--each-line] < SCRIPT\n"
    "A script is moves such as horn@0+80ms lever.left@10ms port=0.4@20ms; a contact without a time\n"
    "is held from the start. It prints reports: microseconds, id, bytes. The host takes nothing while\n"
    "it is --away, such as 100ms+2s; the board's clock stands at --start when it is switched on.\n"
    "--self-test prints what the program reads instead. With --each-line every line is a script of its\n"
    "own, begun by its seed, ^CONTACT, !FROM+FOR and >START, and an empty line ends its reports.\n";

static bool quiet; /* nothing but the self-test stream is printed */

void session_report(int64_t us, uint8_t id, const uint8_t *transfer, unsigned bytes) {
  if (quiet) {
    return;
  }
  printf("%lld %u ", (long long)us, (unsigned)id);
  for (unsigned b = 0; b < bytes; b++) {
    printf("%02X", (unsigned)transfer[b]);
  }
  printf("\n");
}

void session_pressed(int64_t us, unsigned code, bool down) {
  if (!quiet) {
    printf("%lld key %u %s\n", (long long)us, code, down ? "down" : "up");
  }
}

void session_strip(int64_t us, unsigned strip, const uint8_t *rgb) {
  if (!quiet) {
    printf("%lld strip %u %02X%02X%02X\n", (long long)us, strip, rgb[0], rgb[1], rgb[2]);
  }
}

void session_turned(int64_t us, unsigned profile) {
  if (!quiet) {
    printf("%lld profile %u\n", (long long)us, profile);
  }
}

void session_frame(int64_t us, unsigned console, const char *bits) {
  if (!quiet) {
    printf("%lld console %u %s\n", (long long)us, console + 1, bits);
  }
}

#if SELF_TEST
void hw_text(const char *text) {
  if (quiet) {
    fputs(text, stdout);
  }
}
#endif

static bool whole(const char *text, int64_t *value) {
  char *end;
  errno = 0;
  long long read = strtoll(text, &end, 10);
  *value = read;
  return errno == 0 && end != text && *end == '\0';
}

static bool power_up(struct run *run, const char *name) {
  int contact = contact_named(name, (unsigned)strlen(name));
  if (contact >= 0) {
    run->powered_up[contact] = true;
  }
  return contact >= 0;
}

static bool profile(struct run *run, const char *name) {
  for (int p = 0; p < N_PROFILES; p++) {
    if (strcmp(world_profiles[p], name) == 0) {
      run->profile = p;
      return true;
    }
  }
  fprintf(stderr, "the build has no profile \"%s\"; it has", name);
  for (int p = 0; p < N_PROFILES; p++) {
    fprintf(stderr, "%s %s", p > 0 ? "," : "", world_profiles[p]);
  }
  fprintf(stderr, "\n");
  return false;
}

static bool away(struct run *run, const char *text) {
  return run->away_count < MOST_AWAY && away_read(text, &run->away[run->away_count]) &&
         ++run->away_count > 0;
}

/* A clock may stand at any time, so this is no time of a script, which ends. */
static bool start(struct run *run, const char *text) {
  return whole(text, &run->start_us) && run->start_us >= 0;
}

static bool noise(struct run *run, const char *text) {
  return whole(text, &run->noise) && run->noise >= 0 && run->noise <= 64;
}

/* A line is a seed; power-up after ^, absences after !, the clock after >, noise after ~; moves. */
static bool line(char *text, struct run run) {
  static struct script script;
  char *rest;
  run.seed = strtoll(text, &rest, 10);
  while (strchr("^!>~", *(rest += strspn(rest, " "))) != NULL && *rest != '\0') {
    static char word[201];
    char sign = *rest++;
    size_t length = strcspn(rest, " \n");
    snprintf(word, sizeof word, "%.*s", (int)length, rest);
    bool fine = sign == '^'   ? power_up(&run, word)
                : sign == '!' ? away(&run, word)
                : sign == '>' ? start(&run, word)
                              : noise(&run, word);
    if (!fine) {
      fprintf(stderr, "\"%c%s\" is not understood\n", sign, word);
      return false;
    }
    rest += length;
  }
  if (!script_read(&script, rest)) {
    return false;
  }
  session_play(&script, &run);
  printf("\n");
  return true;
}

int main(int argc, char **argv) {
  static char text[MOST_TEXT];
  static struct script script;
  static struct run run = {.seed = 1, .profile = -1};
  bool each_line = false;
  for (int i = 1; i < argc; i++) {
    bool more = i + 1 < argc;
    bool fine;
    if (strcmp(argv[i], "--seed") == 0 && more) {
      fine = whole(argv[++i], &run.seed);
    } else if (strcmp(argv[i], "--power-up") == 0 && more) {
      fine = power_up(&run, argv[++i]);
    } else if (strcmp(argv[i], "--profile") == 0 && more) {
      fine = profile(&run, argv[++i]);
    } else if (strcmp(argv[i], "--away") == 0 && more) {
      fine = away(&run, argv[++i]);
    } else if (strcmp(argv[i], "--start") == 0 && more) {
      fine = start(&run, argv[++i]);
    } else if (strcmp(argv[i], "--noise") == 0 && more) {
      fine = noise(&run, argv[++i]);
    } else if (strcmp(argv[i], "--self-test") == 0 && SELF_TEST) {
      fine = quiet = true;
    } else {
      fine = each_line = strcmp(argv[i], "--each-line") == 0;
    }
    if (!fine) {
      fprintf(stderr, "%s: %s\n%s", argv[i], "is not understood", usage);
      return 2;
    }
  }
  if (WORLD_DEAD) {
    fprintf(stderr, "a supply is shorted as this build is wired: nothing is sent\n");
    return 0;
  }
  if (each_line) {
    while (fgets(text, sizeof text, stdin) != NULL) {
      if (!line(text, run)) {
        return 2;
      }
    }
    return 0;
  }
  size_t length = fread(text, 1, sizeof text - 1, stdin);
  if (length == sizeof text - 1) {
    fprintf(stderr, "the script is too long\n");
    return 2;
  }
  text[length] = '\0';
  if (!script_read(&script, text)) {
    return 2;
  }
  session_play(&script, &run);
  return 0;
}
