/* Scripts in the words of the workbench: horn@0+80ms lever.left@10ms port=0.4@20ms. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "host.h"
#include "world_tables.h"

#define LONGEST_US 600000000LL
#define MOST_WORD 200

int contact_named(const char *name, unsigned length) {
  for (unsigned c = 0; c < WORLD_CONTACTS; c++) {
    if (strlen(world_contacts[c].name) == length &&
        strncmp(world_contacts[c].name, name, length) == 0) {
      return (int)c;
    }
  }
  fprintf(stderr, "the build has no contact \"%.*s\"; it has", (int)length, name);
  for (unsigned c = 0; c < WORLD_CONTACTS; c++) {
    fprintf(stderr, "%s %s", c > 0 ? "," : "", world_contacts[c].name);
  }
  fprintf(stderr, "\n");
  return -1;
}

static bool refuse(const char *word, const char *why) {
  fprintf(stderr, "\"%s\": %s\n", word, why);
  return false;
}

/* A number without sign, and what stands behind it. */
static bool number(const char *text, double *value, const char **rest) {
  char *end;
  if (text[0] < '0' || text[0] > '9' || text[1] == 'x' || text[1] == 'X') {
    return false;
  }
  *value = strtod(text, &end);
  *rest = end;
  return isfinite(*value);
}

bool time_of(const char *text, int64_t *us) {
  double value;
  double unit = 1e3;
  const char *rest;
  if (!number(text, &value, &rest)) {
    return false;
  }
  if (strcmp(rest, "us") == 0) {
    unit = 1;
  } else if (strcmp(rest, "s") == 0) {
    unit = 1e6;
  } else if (strcmp(rest, "ms") != 0 && rest[0] != '\0') {
    return false;
  }
  double exact = value * unit;
  *us = exact > (double)LONGEST_US ? LONGEST_US + 1 : (int64_t)floor(exact + 0.5);
  return true;
}

/* A travel such as 0.4 or 40%; of a stepped control, where no time is given, its step. */
static bool travel_of(const char *text, int contact, bool timed, double *travel) {
  const char *rest;
  int steps = world_contacts[contact].steps;
  if (!number(text, travel, &rest)) {
    return false;
  }
  if (!timed && steps > 1) {
    *travel = (*travel - 1.0) / (steps - 1);
    return rest[0] == '\0';
  }
  if (strcmp(rest, "%") == 0) {
    *travel /= 100;
    rest++;
  }
  return rest[0] == '\0';
}

static bool move_of(char *word, struct move *move) {
  char whole[MOST_WORD + 1];
  char *at = strchr(word, '@');
  char *plus = at == NULL ? NULL : strchr(at, '+');
  snprintf(whole, sizeof whole, "%s", word);
  if (at != NULL) {
    *at++ = '\0';
  }
  if (plus != NULL) {
    *plus++ = '\0';
  }
  char *sign = strchr(word, '=');
  if (sign != NULL) {
    *sign++ = '\0';
  }
  int contact = contact_named(word, (unsigned)strlen(word));
  if (contact < 0) {
    return false;
  }
  move->contact = (uint16_t)contact;
  move->travel = 1;
  move->from_us = 0;
  move->for_us = 0;
  if (sign != NULL && !travel_of(sign, contact, at != NULL, &move->travel)) {
    return refuse(whole, "after = comes how far it is moved, such as 0.4 or 40%");
  }
  if (!(move->travel >= 0 && move->travel <= 1)) {
    return refuse(whole, "travel must be between 0 and 1");
  }
  if ((at != NULL && !time_of(at, &move->from_us)) ||
      (plus != NULL && !time_of(plus, &move->for_us))) {
    return refuse(whole, "is no time; write ms, such as 80ms, or us or s");
  }
  if (move->from_us > LONGEST_US || move->from_us + move->for_us > LONGEST_US) {
    return refuse(whole, "times must lie between 0 and ten minutes");
  }
  return true;
}

bool away_read(const char *text, struct away *away) {
  char from[MOST_WORD + 1];
  size_t length = strcspn(text, "+");
  if (text[length] != '+' || length > MOST_WORD) {
    return false;
  }
  memcpy(from, text, length);
  from[length] = '\0';
  int64_t stays;
  if (!time_of(from, &away->from_us) || !time_of(text + length + 1, &stays)) {
    return false;
  }
  away->to_us = away->from_us + stays;
  return away->from_us <= LONGEST_US && stays <= LONGEST_US;
}

/* Moves in the order of their times; those of one time as they were given. */
static void sort(struct script *script) {
  for (int i = 1; i < script->count; i++) {
    struct move move = script->moves[i];
    int at = i;
    for (; at > 0 && script->moves[at - 1].from_us > move.from_us; at--) {
      script->moves[at] = script->moves[at - 1];
    }
    script->moves[at] = move;
  }
}

bool script_read(struct script *script, const char *text) {
  static const char between[] = " \t\r\n,;";
  char word[MOST_WORD + 1];
  script->count = 0;
  for (text += strspn(text, between); *text != '\0'; text += strspn(text, between)) {
    size_t length = strcspn(text, between);
    if (length > MOST_WORD) {
      return refuse("a word", "is too long to be a move");
    }
    if (script->count == MOST_MOVES) {
      return refuse("a script", "holds at most 1000 moves");
    }
    memcpy(word, text, length);
    word[length] = '\0';
    if (!move_of(word, &script->moves[script->count])) {
      return false;
    }
    script->count++;
    text += length;
  }
  sort(script);
  return true;
}
