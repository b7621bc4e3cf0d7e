/*
 * The HID service: what the host is told of the reports, the reports themselves, and the cell. A
 * report's id stands in its reference, so it does not go over the air with it.
 */
#include "radio.h"
#include "radio_config.h"

#define HID_SERVICE 0x1812
#define HID_INFORMATION 0x2A4A
#define REPORT_MAP 0x2A4B
#define CONTROL_POINT 0x2A4C
#define REPORT 0x2A4D
#define PROTOCOL_MODE 0x2A4E
#define REPORT_REFERENCE 0x2908
#define BATTERY_SERVICE 0x180F
#define BATTERY_LEVEL 0x2A19
#define DEVICE_INFORMATION 0x180A
#define PNP_ID 0x2A50

#define INPUT_REPORT 1
#define BATTERY_US 60000000U

static uint16_t numbers[N_REPORTS];
static uint8_t ids[N_REPORTS];
static number_t reports;
static uint16_t battery;
static uint8_t level;
static uint32_t battery_us;
static uint32_t awake_us; /* when something was last told */
static bool was_there;
static bool suspended;

static void add_reports(void) {
  uint8_t transfer[LONGEST_REPORT];
  report_size_t bytes;
  reports = device_reports();
  for (number_t r = 0; r < reports; r++) {
    uint8_t id = device_report(r, transfer, &bytes);
    uint8_t from = id > 0 ? 1 : 0;
    ids[r] = id;
    uint8_t reference[2] = {id, INPUT_REPORT};
    numbers[r] = radio_add(RADIO_CHARACTERISTIC, REPORT,
                           RADIO_READS | RADIO_NOTIFIED | RADIO_ENCRYPTED, transfer + from,
                           (uint16_t)(bytes - from));
    (void)radio_add(RADIO_DESCRIPTOR, REPORT_REFERENCE, RADIO_READS, reference, sizeof reference);
  }
}

void radio_services(void) {
  static const uint8_t information[4] = {0x11, 0x01, 0, 3}; /* HID 1.11; wakes hosts, is looked for */
  static const uint8_t mode = 1;                            /* protocol mode: reports */
  static const uint8_t maker[7] = {2, 0xFF, 0xFF, 1, 0, 1, 0}; /* no number of a maker's own */
  static uint8_t map[DESCRIPTOR_BYTES];
  uint16_t size = device_descriptor_size();
  for (uint16_t i = 0; i < size && i < DESCRIPTOR_BYTES; i++) {
    map[i] = device_descriptor_byte(i);
  }
  (void)radio_add(RADIO_SERVICE, DEVICE_INFORMATION, 0, 0, 0);
  (void)radio_add(RADIO_CHARACTERISTIC, PNP_ID, RADIO_READS, maker, sizeof maker);
  (void)radio_add(RADIO_SERVICE, BATTERY_SERVICE, 0, 0, 0);
  level = radio_battery();
  battery = radio_add(RADIO_CHARACTERISTIC, BATTERY_LEVEL, RADIO_READS | RADIO_NOTIFIED, &level, 1);
  (void)radio_add(RADIO_SERVICE, HID_SERVICE, 0, 0, 0);
  (void)radio_add(RADIO_CHARACTERISTIC, HID_INFORMATION, RADIO_READS | RADIO_ENCRYPTED, information,
                  sizeof information);
  (void)radio_add(RADIO_CHARACTERISTIC, CONTROL_POINT, RADIO_WRITES | RADIO_ENCRYPTED, 0, 0);
  (void)radio_add(RADIO_CHARACTERISTIC, PROTOCOL_MODE,
                  RADIO_READS | RADIO_WRITES | RADIO_ENCRYPTED, &mode, 1);
  (void)radio_add(RADIO_CHARACTERISTIC, REPORT_MAP, RADIO_READS | RADIO_ENCRYPTED, map, size);
  add_reports();
  radio_pair(RADIO_NAME, RADIO_APPEARANCE, false);
}

bool hw_send(uint8_t id, const uint8_t *transfer, report_size_t bytes) {
  uint8_t from = id > 0 ? 1 : 0;
  if (!radio_connected()) {
    return N_CONSOLES > 0; /* then its host is a console, which is told all the same */
  }
  for (number_t r = 0; r < reports; r++) {
    if (ids[r] == id) {
      awake_us = hw_micros();
      return radio_notify(numbers[r], transfer + from, (uint16_t)(bytes - from));
    }
  }
  return true;
}

void radio_control(uint8_t value) { suspended = value == 0; }

void radio_tick(void) {
  uint32_t now = hw_micros();
  bool there = radio_connected();
  if (there && !was_there) {
    device_forget(); /* it may have forgotten what it was told */
    suspended = false;
    awake_us = now;
  }
  was_there = there;
  device_tick();
  if ((uint32_t)(now - battery_us) >= BATTERY_US) {
    battery_us = now;
    uint8_t left = radio_battery();
    if (left != level && there) {
      level = left;
      (void)radio_notify(battery, &level, 1);
    }
  }
  if (!device_busy() && (uint32_t)(now - awake_us) >= SLEEP_US) {
    radio_sleep();
    awake_us = hw_micros();
  }
}
