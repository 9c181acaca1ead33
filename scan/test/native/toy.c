/*
 * Tiny plugins of our own, one format and one misdeed at a time, chosen by -D. The structures are written down here anew from the same sources as
 * the asking side: ladspa.h; VST3 ipluginbase.h (as published); VST2 and CLAP from memory.
 */
#include <arpa/inet.h>
#include <fcntl.h>
#include <math.h>
#include <netinet/in.h>
#include <pthread.h>
#include <signal.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/socket.h>
#include <unistd.h>

#if defined FORGES_LATER || defined CRASHES_LATER
static void *later(void *unused) {
  (void)unused;
#ifdef CRASHES_LATER
  usleep(250000);
  raise(SIGSEGV);
#else
  for (int turn = 0; turn < 40; turn++) {
    usleep(25000);
    dprintf(3, "{\"number\":\"%d\",\"started\":0,\"plugins\":[{\"identifier\":\"forged\",\"name\":\"Forged\"}]}\n", turn);
  }
#endif
  return NULL;
}
#endif

/* What happens when the plugin is asked. */
static void misbehave(void) {
#if defined CRASHES
  raise(SIGSEGV);
#elif defined HANGS
  for (;;) pause();
#elif defined SPINS
  for (volatile int i = 0;; i++) {}
#elif defined EXITS
  exit(0);
#elif defined PRINTS
  printf("Toy plugin, licensed to the puppet wagon\n");
  fflush(stdout);
  fprintf(stderr, "warning: no drawbar\n");
#elif defined FLOODS
  for (;;) fputs("the quick brown goose jumps over the lazy narrator\n", stdout);
#elif defined FORKS
  if (fork() == 0) for (;;) pause();
#elif defined FORKS_AND_COMES_BACK
  fork();
#elif defined LEAVES_A_DAEMON
  if (fork() == 0) {
    setsid();
    if (fork() == 0) for (;;) pause();
    _exit(0);
  }
#elif defined EATS
  for (;;) memset(malloc(1 << 24), 1, 1 << 24);
#elif defined ABORTS
  abort();
#elif defined STOPS
  raise(SIGSTOP);
#elif defined KILLS_PARENT
  for (int turn = 0; turn < 3; turn++) kill(getppid(), SIGKILL), usleep(20000);
#elif defined KILLS_ALL
  kill(-1, SIGKILL);
#elif defined SPEAKS
  if (write(3, "1\n", 2) < 0) _exit(1);
#elif defined SPEAKS_WITHOUT_END
  static char line[1 << 20];
  memset(line, 'x', sizeof line);
  for (;;) if (write(3, line, sizeof line) < 0) _exit(1);
#elif defined FORGES
  dprintf(3, "{\"number\":\"0\",\"started\":0,\"plugins\":[{\"identifier\":\"forged\",\"name\":\"Forged\"}]}\n");
#elif defined FORGES_LATER
  pthread_t thread;
  pthread_create(&thread, NULL, later, NULL);
  pthread_detach(thread);
#elif defined CRASHES_LATER
  pthread_t thread;
  pthread_create(&thread, NULL, later, NULL);
  pthread_detach(thread);
#elif defined EATS_IN_A_CHILD
  if (fork() == 0) {
    for (int turn = 0; turn < 40; turn++) memset(malloc(1 << 24), 1, 1 << 24);
    for (;;) pause();
  }
  for (;;) pause();
#elif defined DELETES
  printf("deleted: %d\n", unlink(VICTIM) == 0);
#elif defined WRITES
  printf("written: %d\n", open(VICTIM, O_WRONLY | O_CREAT | O_TRUNC, 0600) >= 0);
#elif defined READS
  printf("read: %d\n", open(VICTIM, O_RDONLY) >= 0);
#elif defined CONNECTS
  struct sockaddr_in there = {.sin_family = AF_INET, .sin_port = htons(PORT), .sin_addr = {htonl(INADDR_LOOPBACK)}};
  printf("connected: %d\n", connect(socket(AF_INET, SOCK_STREAM, 0), (struct sockaddr *)&there, sizeof there) == 0);
#elif defined LOOKS_AROUND
  extern char **environ;
  for (char **one = environ; *one != NULL; one++) printf("%.*s ", (int)strcspn(*one, "="), *one);
#elif defined SPAWNS
  for (int turn = 0; turn < 200; turn++) if (fork() == 0) for (;;) pause();
#elif defined FILLS
  char path[512];
  snprintf(path, sizeof path, "%s/large", getenv("TMPDIR"));
  int file = open(path, O_WRONLY | O_CREAT, 0600);
  static char block[1 << 20];
  signal(SIGXFSZ, SIG_IGN);
  int written = 0;
  while (written < 4096 && write(file, block, sizeof block) == (long)sizeof block) written++;
  printf("large: %d\n", written > 64);
#elif defined DAWDLES
  usleep(120000);
#elif defined NEEDS_MATHS
  /* Linked without -lm: the host is expected to have it. */
  volatile double tone = sin((double)getpid());
  (void)tone;
#endif
}

#if defined LADSPA
#include <ladspa.h>
static const LADSPA_PortDescriptor PORTS[] = {LADSPA_PORT_INPUT | LADSPA_PORT_AUDIO, LADSPA_PORT_OUTPUT | LADSPA_PORT_AUDIO,
                                              LADSPA_PORT_OUTPUT | LADSPA_PORT_AUDIO, LADSPA_PORT_INPUT | LADSPA_PORT_CONTROL};
static const LADSPA_Descriptor FIRST = {.UniqueID = 4310, .Label = "goose", .Name = "Goose Gate", .Maker = "Copperhat <a@copperhat.example>", .PortCount = 4, .PortDescriptors = PORTS};
static const LADSPA_Descriptor SECOND = {.UniqueID = 4310, .Label = "wagon", .Name = "Wagon Wheel", .Maker = "Copperhat", .PortCount = 1, .PortDescriptors = PORTS};
const LADSPA_Descriptor *ladspa_descriptor(unsigned long index) {
  misbehave();
  return index == 0 ? &FIRST : index == 1 ? &SECOND : NULL;
}
#elif defined CLAP
typedef struct { uint32_t major, minor, revision; } version_t;
typedef struct { version_t version; const char *id, *name, *vendor, *url, *manual_url, *support_url, *plugin_version, *description; const char *const *features; } descriptor_t;
typedef struct { uint32_t (*count)(const void *); const descriptor_t *(*describe)(const void *, uint32_t); const void *(*create)(const void *, const void *, const char *); } factory_t;
static const char *const FEATURES[] = {"instrument", "synthesizer", "stereo", NULL};
static const descriptor_t TOY = {{1, 2, 0}, "example.cuht.lantern", "Lantern", "Copperhat", "", "", "", "1.4.2", "A synth of paper lanterns.", FEATURES};
static uint32_t count(const void *self) { (void)self; return 1; }
static const descriptor_t *describe(const void *self, uint32_t index) { (void)self; misbehave(); return index == 0 ? &TOY : NULL; }
/* Ports: a stereo input, a mono one that only steers, a stereo output; takes notes. ext/audio-ports.h, ext/note-ports.h (memory). */
typedef struct { uint32_t id; char name[256]; uint32_t flags, channel_count; const char *port_type; uint32_t in_place_pair; } port_t;
typedef struct { uint32_t (*count)(const void *, _Bool); _Bool (*get)(const void *, uint32_t, _Bool, port_t *); } ports_t;
typedef struct { version_t version; void *data; const char *name, *vendor, *url, *own_version; const void *(*extension)(const void *, const char *); } host_t;
typedef struct plugin { const descriptor_t *about; void *data; _Bool (*init)(const void *); void (*destroy)(const void *); void *unused[6]; const void *(*extension)(const void *, const char *); void (*main_thread)(const void *); } plugin_t;
static uint32_t audio_count(const void *self, _Bool in) { (void)self; return in ? 2 : 1; }
static _Bool audio_get(const void *self, uint32_t index, _Bool in, port_t *out) {
  (void)self;
  memset(out, 0, sizeof *out);
  out->flags = index == 0, out->channel_count = in && index == 1 ? 1 : 2;
  return 1;
}
static uint32_t note_count(const void *self, _Bool in) { (void)self; return in ? 1 : 0; }
static const ports_t AUDIO = {audio_count, audio_get}, NOTES = {note_count, NULL};
static const void *extension(const void *self, const char *id) {
  (void)self;
  return strcmp(id, "clap.audio-ports") == 0 ? &AUDIO : strcmp(id, "clap.note-ports") == 0 ? &NOTES : NULL;
}
static _Bool start(const void *self) {
  (void)self;
#ifdef PORTS_CRASH
  raise(SIGSEGV);
#elif defined PORTS_HANG
  for (;;) pause();
#endif
  return 1;
}
static void destroy(const void *self) { (void)self; }
static const plugin_t PLUGIN = {&TOY, NULL, start, destroy, {NULL}, extension, NULL};
static const void *create(const void *self, const host_t *host, const char *id) {
  (void)self;
  return host->name != NULL && host->extension(host, "clap.log") == NULL && strcmp(id, TOY.id) == 0 ? &PLUGIN : NULL;
}
static const factory_t FACTORY = {count, describe, (const void *(*)(const void *, const void *, const char *))create};
static _Bool init(const char *path) {
  /* The path of the bundle, not of anything else. */
#ifdef REFUSES
  return 0;
#endif
  return path != NULL && strstr(path, ".clap") != NULL;
}
static void deinit(void) {}
static const void *get_factory(const char *id) { return strcmp(id, "clap.plugin-factory") == 0 ? &FACTORY : NULL; }
__attribute__((visibility("default"))) const struct { version_t version; _Bool (*init)(const char *); void (*deinit)(void); const void *(*get_factory)(const char *); } clap_entry = {{1, 2, 0}, init, deinit, get_factory};
#elif defined VST2
typedef intptr_t (*host_t)(void *, int32_t, int32_t, intptr_t, void *, float);
typedef struct effect {
  int32_t magic;
  intptr_t (*dispatch)(struct effect *, int32_t, int32_t, intptr_t, void *, float);
  void *process, *set_parameter, *get_parameter;
  int32_t programs, parameters, inputs, outputs, flags;
  intptr_t reserved1, reserved2;
  int32_t delay, real_qualities, off_qualities;
  float ratio;
  void *object, *user;
  int32_t unique_id, version;
  void *process_replacing, *process_double;
  char future[56];
} effect_t;
static const char *const INSIDE[] = {"Thunder Sheet", "Bowed Saw"};
static int listed = 0;
static intptr_t dispatch(effect_t *self, int32_t opcode, int32_t index, intptr_t value, void *text, float option) {
  (void)index, (void)value, (void)option;
  switch (opcode) {
  case 0: misbehave(); return 0;
  case 35: return self->unique_id == 0x5368656c ? 10 : 1;
  case 29: strcpy(text, index == 0 ? "Northerly" : index == 1 ? "" : "Doldrums"); return 1;
  case 48: strcpy(text, "Weathercock of the Puppet Wagon"); return 1;
  case 45: strcpy(text, self->unique_id == 0x5368656c ? "Noises Shell" : "Weathercock"); return 1;
  case 47: strcpy(text, "Copperhat"); return 1;
  case 49: return 1230;
  case 51: return strcmp(text, "receiveVstMidiEvent") == 0 ? 1 : 0;
  case 70: if (listed >= 2) return 0; strcpy(text, INSIDE[listed]); return 0x746f7930 + listed++;
  default: return 0;
  }
}
#ifdef OLDER
#define VSTPluginMain main_entry
effect_t *main_entry(host_t host) __asm__("main");
#endif
effect_t *VSTPluginMain(host_t host) {
  if (host(NULL, 1, 0, 0, NULL, 0) < 2400) return NULL;
  effect_t *made = calloc(1, sizeof *made);
  made->programs = 3;
  made->magic = 0x56737450, made->dispatch = dispatch, made->inputs = 2, made->outputs = 2, made->unique_id = 0x57746863;
#ifdef SHELL
  made->unique_id = (int32_t)host(made, 2, 0, 0, NULL, 0);
  if (made->unique_id == 0) made->unique_id = 0x5368656c;
  else made->flags = 1 << 8, made->inputs = 0;
#endif
  return made;
}
#elif defined VST3
typedef struct { uint8_t cid[16]; int32_t cardinality; char category[32], name[64]; uint32_t flags; char sub[128], vendor[64], version[64], sdk[64]; } class2_t;
typedef struct { char vendor[64], url[256], email[128]; int32_t flags; } info_t;
static const uint8_t FACTORY2[16] = {0x00, 0x07, 0xB6, 0x50, 0xF2, 0x4B, 0x4C, 0x0B, 0xA4, 0x64, 0xED, 0xB9, 0xF0, 0x0B, 0x2A, 0xBB};
static void *object;
static int32_t query(void *self, const uint8_t *id, void **out) {
#ifdef OLD_FACTORY
  return (void)self, (void)id, *out = NULL, -1;
#endif
  if (memcmp(id, FACTORY2, 16) != 0) return *out = NULL, -1;
  return *out = self, 0;
}
static uint32_t hold(void *self) { (void)self; return 1; }
static int32_t factory_info(void *self, info_t *info) { (void)self; strcpy(info->vendor, "Copperhat"); return 0; }
static int32_t count(void *self) { (void)self; misbehave(); return 3; }
static int32_t class2(void *self, int32_t index, class2_t *out) {
  (void)self;
  memset(out, 0, sizeof *out);
  memset(out->cid, 0x10 + index, 16);
  /* The second is the editor's part of the first: no plugin of its own. */
  strcpy(out->category, index == 1 ? "Component Controller Class" : "Audio Module Class");
  strcpy(out->name, index == 2 ? "Lamplight Hall" : "Lamplight Plate");
  strcpy(out->sub, "Fx|Reverb"), strcpy(out->version, "2.0.1"), strcpy(out->vendor, index == 2 ? "Lintel" : "");
  return 0;
}
static int32_t class1(void *self, int32_t index, void *out) {
  class2_t whole;
  class2(self, index, &whole);
  memcpy(out, &whole, 16 + 4 + 32 + 64);
  return 0;
}
/* Buses: a stereo input, a mono one that only steers, a stereo output; takes notes. ivstcomponent.h. */
typedef struct { int32_t media, direction, channels; uint16_t name[128]; int32_t type; uint32_t flags; } bus_t;
static int32_t initialize(void *self, void *host) {
  (void)self;
#ifdef PORTS_CRASH
  raise(SIGSEGV);
#elif defined PORTS_HANG
  for (;;) pause();
#endif
  /* A host that can't tell its name is none: IHostApplication, found by its id. */
  static const uint8_t APPLICATION[16] = {0x58, 0xE5, 0x95, 0xCC, 0xDB, 0x2D, 0x49, 0x69, 0x8B, 0x6A, 0xAF, 0x8C, 0x36, 0xA6, 0x64, 0xE5};
  void *application = NULL;
  uint16_t name[128] = {0};
  if (host == NULL || (*(int32_t (***)(void *, const uint8_t *, void **))host)[0](host, APPLICATION, &application) != 0) return 1;
  return (*(int32_t (***)(void *, uint16_t *))application)[3](application, name) != 0 || name[0] == 0;
}
static int32_t ended(void *self) { (void)self; return 0; }
static int32_t bus_count(void *self, int32_t media, int32_t direction) {
  (void)self;
  return media == 0 ? (direction == 0 ? 2 : 1) : direction == 0;
}
static int32_t bus_info(void *self, int32_t media, int32_t direction, int32_t index, bus_t *out) {
  (void)self, (void)media;
  memset(out, 0, sizeof *out);
  out->channels = direction == 0 && index == 1 ? 1 : 2, out->type = index;
  return 0;
}
static void *COMPONENT_TABLE[] = {query, hold, hold, initialize, ended, NULL, NULL, bus_count, bus_info};
static void *COMPONENT[] = {COMPONENT_TABLE};
static int32_t create(void *self, const uint8_t *cid, const uint8_t *id, void **out) {
  (void)self;
  static const uint8_t WANTED[16] = {0xE8, 0x31, 0xFF, 0x31, 0xF2, 0xD5, 0x43, 0x01, 0x92, 0x8E, 0xBB, 0xEE, 0x25, 0x69, 0x78, 0x02};
  /* The second class can't be made. */
  if (cid[0] == 0x12 || memcmp(id, WANTED, 16) != 0) return *out = NULL, -1;
  return *out = COMPONENT, 0;
}
static void *TABLE[] = {query, hold, hold, factory_info, count, class1, create, class2};
static void *FACTORY[] = {TABLE};
_Bool ModuleEntry(void *handle) { object = handle; return handle != NULL; }
_Bool ModuleExit(void) { return 1; }
/* Without ModuleEntry before it there is no factory. */
void *GetPluginFactory(void) { return object == NULL ? NULL : FACTORY; }
#else
/* A library that helps others, and is no plugin. */
int help_with_drawing(int curtains) { return curtains * 2; }
#endif
