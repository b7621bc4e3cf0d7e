/*
 * Reports over a low-energy radio, in the HID service that its hosts know. Numbers of services and
 * what belongs to them are those of the published service, from memory.
 */
#ifndef RADIO_H
#define RADIO_H

#include "device.h"

#ifdef __cplusplus
extern "C" {
#endif

/* What an entry of the table of services is. */
enum radio_entry { RADIO_SERVICE, RADIO_CHARACTERISTIC, RADIO_DESCRIPTOR };

/* What a host may do with a characteristic. */
enum { RADIO_READS = 1, RADIO_WRITES = 2, RADIO_NOTIFIED = 4, RADIO_ENCRYPTED = 8 };

/* ---- supplied by the board, beside the calls of device.h but hw_send ---- */

/* Adds an entry to the table of services; gives the number by which it is notified. */
uint16_t radio_add(enum radio_entry entry, uint16_t uuid, uint8_t may, const uint8_t *value,
                   uint16_t bytes);

/* Tells the host a value; whether it went out. */
bool radio_notify(uint16_t number, const uint8_t *value, uint16_t bytes);

/* Shows itself to new hosts under that name and as that sort of thing, or to known ones only. */
void radio_pair(const char *name, uint16_t appearance, bool anew);

/* Whether a host is there and takes notifications. */
bool radio_connected(void);

/* What is left in the cell, 0 to 100. */
uint8_t radio_battery(void);

/* Sleeps until a contact closes; what is waited for is set up before. */
void radio_sleep(void);

/* ---- offered to the board ---- */

/* Makes the table of services; once, after device_power_up. */
void radio_services(void);

/* In place of device_tick: looks, tells, watches the host and the cell, and goes to sleep. */
void radio_tick(void);

/* A host wrote to the control point: 0 when it goes to sleep, 1 when it is back. */
void radio_control(uint8_t value);

#ifdef __cplusplus
}
#endif

#endif
