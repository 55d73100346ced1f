/**
 * glibc gives large pieces of memory back at once and asks the system for them anew: where that is slow, as
 * in virtual machines, pixels wait for memory most of the time. With this a process keeps what it has.
 */
const LARGE = String(2_000_000_000);
export const keepsMemory = {
  MALLOC_MMAP_THRESHOLD_: LARGE,
  MALLOC_TRIM_THRESHOLD_: LARGE,
  MALLOC_TOP_PAD_: String(64 * 1_048_576),
};
