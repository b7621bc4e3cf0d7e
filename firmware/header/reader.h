/* Contacts at a computer's header become keys of that computer. */
#ifndef READER_H
#define READER_H

#include <stdbool.h>

/* Reads the table of lines and keys; false, with a word on what is wrong and in which row. */
bool reader_table(const char *path);

/* Opens the lines of a chip and makes a device of keys; false, with a word on what is wrong. */
bool reader_open(const char *chip, const char *keys);

/* No key is down, as far as the system knows. */
void reader_fresh(void);

#endif
