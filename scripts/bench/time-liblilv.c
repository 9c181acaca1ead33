/* Milliseconds that liblilv takes to load every bundle on LV2_PATH and the data of every plugin, and how many plugins that were. */
#include <lilv/lilv.h>
#include <stdio.h>
#include <time.h>

static double now(void) {
  struct timespec time;
  clock_gettime(CLOCK_MONOTONIC, &time);
  return time.tv_sec * 1e3 + time.tv_nsec / 1e6;
}

int main(void) {
  double start = now();
  unsigned count = 0, ports = 0;
  LilvWorld *world = lilv_world_new();
  lilv_world_load_all(world);
  LilvNode *audio = lilv_new_uri(world, LILV_URI_AUDIO_PORT), *input = lilv_new_uri(world, LILV_URI_INPUT_PORT);
  const LilvPlugins *plugins = lilv_world_get_all_plugins(world);
  LILV_FOREACH (plugins, i, plugins) {
    const LilvPlugin *plugin = lilv_plugins_get(plugins, i);
    lilv_node_free(lilv_plugin_get_name(plugin));
    lilv_node_free(lilv_plugin_get_author_name(plugin));
    lilv_plugin_get_class(plugin);
    ports += lilv_plugin_get_num_ports_of_class(plugin, audio, input, NULL);
    count++;
  }
  printf("{\"ms\": %.1f, \"plugins\": %u, \"ports\": %u}\n", now() - start, count, ports);
  return 0;
}
