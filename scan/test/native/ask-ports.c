/*
 * Asks a VST3 or CLAP for its ports in the way of their interface headers, apart from the asking side of the product: one line a plugin, identifier,
 * channels of main inputs and outputs, channels of auxiliary inputs, takes notes, sends notes. VST3: ipluginbase.h, ivstcomponent.h; CLAP: plugin.h,
 * ext/audio-ports.h, ext/note-ports.h.
 */
#include <dlfcn.h>
#include <stdbool.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define METHOD(object, number, ...) ((int32_t (*)(__VA_ARGS__))(*(void ***)(object))[number])

static void vst3(void *library) {
  bool (*entry)(void *) = (bool (*)(void *))dlsym(library, "ModuleEntry");
  if (entry != NULL && !entry(library)) exit(3);
  void *factory = ((void *(*)(void))dlsym(library, "GetPluginFactory"))();
  int32_t count = METHOD(factory, 4, void *)(factory);
  for (int32_t at = 0; at < count; at++) {
    struct { uint8_t cid[16]; int32_t cardinality; char category[32], name[64]; } about = {0};
    if (METHOD(factory, 5, void *, int32_t, void *)(factory, at, &about) != 0 || strcmp(about.category, "Audio Module Class") != 0) continue;
    static const uint8_t IID[16] = {0xE8, 0x31, 0xFF, 0x31, 0xF2, 0xD5, 0x43, 0x01, 0x92, 0x8E, 0xBB, 0xEE, 0x25, 0x69, 0x78, 0x02};
    void *component = NULL;
    if (METHOD(factory, 6, void *, const uint8_t *, const uint8_t *, void **)(factory, about.cid, IID, &component) != 0) continue;
    if (METHOD(component, 3, void *, void *)(component, NULL) != 0) { fprintf(stderr, "wants a host\n"); exit(4); }
    int sums[2][2] = {{0}}, notes[2];
    for (int direction = 0; direction < 2; direction++) {
      int32_t buses = METHOD(component, 7, void *, int32_t, int32_t)(component, 0, direction);
      for (int32_t bus = 0; bus < buses; bus++) {
        struct { int32_t media, direction, channels; uint16_t name[128]; int32_t type; uint32_t flags; } info = {0};
        METHOD(component, 8, void *, int32_t, int32_t, int32_t, void *)(component, 0, direction, bus, &info);
        sums[direction][info.type != 0] += info.channels;
      }
      notes[direction] = METHOD(component, 7, void *, int32_t, int32_t)(component, 1, direction) > 0;
    }
    for (int byte = 0; byte < 16; byte++) printf("%02X", about.cid[byte]);
    printf("\t%d\t%d\t%d\t%d\t%d\n", sums[0][0], sums[1][0], sums[0][1], notes[0], notes[1]);
  }
}

typedef struct { uint32_t major, minor, revision; } version_t;
static const void *no_extension(const void *host, const char *id) { return (void)host, (void)id, NULL; }
static void no_request(const void *host) { (void)host; }

static void clap(void *library, const char *path) {
  struct { version_t version; bool (*init)(const char *); void (*deinit)(void); void *(*get_factory)(const char *); } *entry = dlsym(library, "clap_entry");
  if (!entry->init(path)) exit(3);
  struct factory { uint32_t (*count)(void *); const char **(*describe)(void *, uint32_t); void *(*create)(void *, void *, const char *); } *factory = entry->get_factory("clap.plugin-factory");
  struct { version_t version; void *data; const char *texts[4]; void *extension, *requests[3]; } host = {{1, 2, 0}, NULL, {"C", "C", "", "1"}, (void *)no_extension, {(void *)no_request, (void *)no_request, (void *)no_request}};
  uint32_t count = factory->count(factory);
  for (uint32_t at = 0; at < count; at++) {
    const char *id = factory->describe(factory, at)[2];
    struct plugin { void *about, *data; bool (*init)(void *); void (*destroy)(void *); void *unused[6]; void *(*extension)(void *, const char *); } *plugin = factory->create(factory, &host, id);
    if (plugin == NULL || !plugin->init(plugin)) continue;
    struct { uint32_t (*count)(void *, bool); bool (*get)(void *, uint32_t, bool, void *); } *audio = plugin->extension(plugin, "clap.audio-ports"), *notes = plugin->extension(plugin, "clap.note-ports");
    int sums[2][2] = {{0}};
    for (int in = 0; audio != NULL && in < 2; in++) {
      uint32_t ports = audio->count(plugin, in), marked = 0;
      for (int pass = 0; pass < 2; pass++)
        for (uint32_t port = 0; port < ports; port++) {
          struct { uint32_t id; char name[256]; uint32_t flags, channels; const char *type; uint32_t pair; } info = {0};
          audio->get(plugin, port, in, &info);
          if (pass == 0) marked += info.flags & 1;
          else sums[in][marked > 0 && !(info.flags & 1)] += (int)info.channels;
        }
    }
    printf("%s\t%d\t%d\t%d\t%d\t%d\n", id, sums[1][0], sums[0][0], sums[1][1], notes != NULL && notes->count(plugin, 1) > 0, notes != NULL && notes->count(plugin, 0) > 0);
    plugin->destroy(plugin);
  }
}

int main(int count, char **given) {
  if (count != 4) return 2;
  void *library = dlopen(given[2], RTLD_LAZY);
  if (library == NULL) { fprintf(stderr, "%s\n", dlerror()); return 1; }
  if (strcmp(given[1], "VST3") == 0) vst3(library);
  else clap(library, given[3]);
  fflush(stdout);
  _Exit(0);
}
