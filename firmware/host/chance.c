/* A generator that splits (Steele, Lea and Flood, "Fast splittable pseudorandom number generators",
   OOPSLA 2014), as the workbench uses it, so that a seed gives the same bounces in both. */
#include "host.h"

#define GOLDEN 0x9e3779b97f4a7c15ULL

static uint64_t mix64(uint64_t z) {
  z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9ULL;
  z = (z ^ (z >> 27)) * 0x94d049bb133111ebULL;
  return z ^ (z >> 31);
}

static uint32_t mix32(uint64_t z) {
  z = (z ^ (z >> 33)) * 0x62a9d9ed799705f5ULL;
  return (uint32_t)(((z ^ (z >> 28)) * 0xcb24d0a5c88c35b3ULL) >> 32);
}

static uint64_t mix_gamma(uint64_t z) {
  int turns = 0;
  z = (z ^ (z >> 33)) * 0xff51afd7ed558ccdULL;
  z = (z ^ (z >> 33)) * 0xc4ceb9fe1a85ec53ULL;
  z = (z ^ (z >> 33)) | 1U;
  for (uint64_t changes = z ^ (z >> 1); changes != 0; changes &= changes - 1U) {
    turns++;
  }
  return turns < 24 ? z ^ 0xaaaaaaaaaaaaaaaaULL : z;
}

static uint64_t next(struct chance *from) { return from->seed += from->gamma; }

struct chance chance_of(int64_t seed) {
  struct chance chance = {(uint64_t)seed, GOLDEN};
  return chance;
}

struct chance chance_split(struct chance *from) {
  struct chance chance;
  chance.seed = mix64(next(from));
  chance.gamma = mix_gamma(next(from));
  return chance;
}

int32_t chance_below(struct chance *from, int32_t bound) {
  uint32_t most = (uint32_t)bound - 1U;
  uint32_t r = mix32(next(from));
  if (((uint32_t)bound & most) == 0U) {
    return (int32_t)(r & most);
  }
  for (uint32_t u = r >> 1; u + most - (r = u % (uint32_t)bound) > INT32_MAX;
       u = mix32(next(from)) >> 1) {
  }
  return (int32_t)r;
}

double chance_share(struct chance *from) { return (double)(mix64(next(from)) >> 11) * 0x1.0p-53; }
