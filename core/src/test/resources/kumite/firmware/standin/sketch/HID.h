/* A stand-in for the platform's HID device. */
#ifndef HID_H
#define HID_H

#include "platform.h"

class HIDSubDescriptor {
 public:
  HIDSubDescriptor(const void *what, uint16_t how_long) : data(what), length(how_long) {}
  const void *data;
  uint16_t length;
};

class HID_ {
 public:
  int SendReport(uint8_t id, const void *bytes, int count);
  void AppendDescriptor(HIDSubDescriptor *node);
};

HID_ &HID();

#endif
