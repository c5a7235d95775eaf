/*
 * Stands under a program (LD_PRELOAD) and writes down what it changes in the files of one folder before it has them
 * synchronised. After the program was killed, unsynced.mjs takes back what a power cut would have lost.
 *
 * POWER_CUT_FOLDER  files under it are watched
 * POWER_CUT_LOG     where it is written down, one record behind the other:
 *                   kind (u32: 1 write, 2 new length, 3 synchronised), bytes of the path (u32), offset (u64), bytes of the old
 *                   content (u64), old size (u64), the path, the old content
 * POWER_CUT_LIES    1: a disk that says it has synchronised and has not; what is synchronised is not written down
 */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <fcntl.h>
#include <pthread.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>
#include <unistd.h>

enum { WRITE = 1, RESIZE = 2, SYNC = 3 };
struct record { uint32_t kind, path_length; uint64_t offset, length, old_size; };

static pthread_mutex_t one_at_a_time = PTHREAD_MUTEX_INITIALIZER;

static ssize_t (*real_pwrite)(int, const void *, size_t, off_t);
static ssize_t (*real_write)(int, const void *, size_t);
static int (*real_truncate)(int, off_t);
static int (*real_fsync)(int);
static int (*real_fdatasync)(int);

__attribute__((constructor)) static void find_real(void) {
  real_pwrite = dlsym(RTLD_NEXT, "pwrite64");
  real_write = dlsym(RTLD_NEXT, "write");
  real_truncate = dlsym(RTLD_NEXT, "ftruncate64");
  real_fsync = dlsym(RTLD_NEXT, "fsync");
  real_fdatasync = dlsym(RTLD_NEXT, "fdatasync");
}

/* Path of an open file, when it is watched; length 0 otherwise. */
static size_t watched(int fd, char *path, size_t room) {
  const char *folder = getenv("POWER_CUT_FOLDER");
  if (!folder) return 0;
  char link[64];
  snprintf(link, sizeof link, "/proc/self/fd/%d", fd);
  ssize_t length = readlink(link, path, room);
  if (length <= 0 || strncmp(path, folder, strlen(folder)) != 0) return 0;
  return (size_t)length;
}

static void note(int fd, uint32_t kind, uint64_t offset, uint64_t length) {
  char path[4096];
  size_t path_length = watched(fd, path, sizeof path);
  if (path_length == 0) return;
  struct stat now;
  if (fstat(fd, &now) != 0 || !S_ISREG(now.st_mode)) return;
  struct record record = { kind, (uint32_t)path_length, offset, 0, (uint64_t)now.st_size };
  char *old = NULL;
  if (length > 0 && offset < (uint64_t)now.st_size) {
    uint64_t there = (uint64_t)now.st_size - offset;
    record.length = length < there ? length : there;
    old = malloc(record.length);
    /* SQLite opens its files to read and write. */
    if (!old || pread64(fd, old, record.length, (off_t)offset) != (ssize_t)record.length) abort();
  }
  pthread_mutex_lock(&one_at_a_time);
  int log = open(getenv("POWER_CUT_LOG"), O_WRONLY | O_APPEND | O_CREAT, 0600);
  if (log < 0) abort();
  real_write(log, &record, sizeof record);
  real_write(log, path, path_length);
  if (old) real_write(log, old, record.length);
  close(log);
  pthread_mutex_unlock(&one_at_a_time);
  free(old);
}

ssize_t pwrite64(int fd, const void *bytes, size_t length, off_t offset) {
  note(fd, WRITE, (uint64_t)offset, length);
  return real_pwrite(fd, bytes, length, offset);
}
ssize_t pwrite(int fd, const void *bytes, size_t length, off_t offset) {
  return pwrite64(fd, bytes, length, offset);
}
ssize_t write(int fd, const void *bytes, size_t length) {
  off_t offset = lseek(fd, 0, SEEK_CUR);
  if (offset >= 0) note(fd, WRITE, (uint64_t)offset, length);
  return real_write(fd, bytes, length);
}
int ftruncate64(int fd, off_t length) {
  struct stat now;
  uint64_t end = fstat(fd, &now) == 0 && now.st_size > length ? (uint64_t)(now.st_size - length) : 0;
  note(fd, RESIZE, (uint64_t)length, end);
  return real_truncate(fd, length);
}
int ftruncate(int fd, off_t length) {
  return ftruncate64(fd, length);
}
static int synced(int fd, int (*real)(int)) {
  int result = real(fd);
  if (result == 0 && !getenv("POWER_CUT_LIES")) note(fd, SYNC, 0, 0);
  return result;
}
int fsync(int fd) {
  return synced(fd, real_fsync);
}
int fdatasync(int fd) {
  return synced(fd, real_fdatasync);
}
