/*
 * What the reader asks of the system: its lines, its keys, its clock. On a computer with a header
 * these are the system's own calls; with STAND_IN they are the simulated ones.
 */
#ifndef SYSTEM_H
#define SYSTEM_H

#include <stddef.h>
#include <stdint.h>

#ifdef STAND_IN
int stand_open(const char *path, int flags);
int stand_ioctl(int file, unsigned long request, void *argument);
long stand_write(int file, const void *bytes, size_t count);
uint32_t stand_micros(void);
#define SYS_OPEN stand_open
#define SYS_IOCTL stand_ioctl
#define SYS_WRITE stand_write
#define SYS_MICROS stand_micros
#define SYS_SETTLE()
#else
#include <fcntl.h>
#include <sys/ioctl.h>
#include <time.h>
#include <unistd.h>
#define SYS_OPEN open
#define SYS_IOCTL ioctl
#define SYS_WRITE write
#define SYS_MICROS system_micros
#define SYS_SETTLE() system_settle()
uint32_t system_micros(void);
void system_settle(void);
#endif

#endif
