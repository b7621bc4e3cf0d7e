/*
 * The stand-in of a radio: takes the table of services as a host does, and puts a report together
 * again from what it is notified of and from the report's reference.
 */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "host.h"
#include "radio.h"

#define MOST_ENTRIES 512

static struct {
  enum radio_entry entry;
  uint16_t uuid;
  uint8_t may;
  uint8_t value[2];
  uint16_t bytes;
} entries[MOST_ENTRIES];

static uint16_t count;

static void wrong(const char *what) {
  fprintf(stderr, "the table of services is wrong: %s\n", what);
  exit(3);
}

uint16_t radio_add(enum radio_entry entry, uint16_t uuid, uint8_t may, const uint8_t *value,
                   uint16_t bytes) {
  if (count == MOST_ENTRIES || bytes > 512) {
    wrong("more than a table holds");
  }
  if (entry != RADIO_SERVICE && count == 0) {
    wrong("no service stands before it");
  }
  if (uuid == 0x2A4B) {
    for (uint16_t i = 0; i < bytes; i++) {
      if (bytes != device_descriptor_size() || value[i] != device_descriptor_byte(i)) {
        wrong("its report map is not the descriptor");
      }
    }
  }
  entries[count].entry = entry;
  entries[count].uuid = uuid;
  entries[count].may = may;
  entries[count].bytes = bytes;
  if (bytes == 2) {
    memcpy(entries[count].value, value, 2);
  }
  return count++;
}

bool radio_notify(uint16_t number, const uint8_t *value, uint16_t bytes) {
  static uint8_t transfer[LONGEST_REPORT + 1];
  if (number + 1U >= count || (entries[number].may & RADIO_NOTIFIED) == 0 ||
      entries[number].bytes != bytes) {
    wrong("something else is notified than it names");
  }
  if (entries[number].uuid == 0x2A19) {
    return true; /* the cell */
  }
  if (entries[number + 1].uuid != 0x2908 || entries[number + 1].value[1] != 1) {
    wrong("a report without its reference");
  }
  uint8_t id = entries[number + 1].value[0];
  unsigned from = id > 0 ? 1 : 0;
  transfer[0] = id;
  memcpy(transfer + from, value, bytes);
  return session_send(id, transfer, bytes + from);
}

bool radio_connected(void) { return !session_gone(); }

void radio_pair(const char *name, uint16_t appearance, bool anew) {
  if (name[0] == '\0' || appearance == 0 || anew) {
    wrong("nobody finds it");
  }
}

uint8_t radio_battery(void) { return 80; }

void radio_sleep(void) {}

/* The table is that of the profile in force, and is made anew with it. */
void send_begin(void) {
  count = 0;
  radio_services();
}
