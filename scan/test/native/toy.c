/*
 * Tiny plugins of our own, one format and one misdeed at a time, chosen by -D. The structures are written down here anew from the same sources as
 * the asking side: ladspa.h; VST3 ipluginbase.h (as published); VST2 and CLAP from memory.
 */
#include <math.h>
#include <signal.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

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
static const factory_t FACTORY = {count, describe, NULL};
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
  case 45: strcpy(text, self->unique_id == 0x5368656c ? "Noises Shell" : "Weathercock"); return 1;
  case 47: strcpy(text, "Copperhat"); return 1;
  case 49: return 1230;
  case 51: return strcmp(text, "receiveVstMidiEvent") == 0 ? 1 : 0;
  case 70: if (listed >= 2) return 0; strcpy(text, INSIDE[listed]); return 0x746f7930 + listed++;
  default: return 0;
  }
}
effect_t *VSTPluginMain(host_t host) {
  if (host(NULL, 1, 0, 0, NULL, 0) < 2400) return NULL;
  effect_t *made = calloc(1, sizeof *made);
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
static void *TABLE[] = {query, hold, hold, factory_info, count, class1, NULL, class2};
static void *FACTORY[] = {TABLE};
_Bool ModuleEntry(void *handle) { object = handle; return handle != NULL; }
_Bool ModuleExit(void) { return 1; }
/* Without ModuleEntry before it there is no factory. */
void *GetPluginFactory(void) { return object == NULL ? NULL : FACTORY; }
#else
/* A library that helps others, and is no plugin. */
int help_with_drawing(int curtains) { return curtains * 2; }
#endif
