/* Prints, a line each, what liblilv says of every plugin on LV2_PATH: URI, name, author, class, audio in, audio out, MIDI in, MIDI out; parted by tabs. */
#include <lilv/lilv.h>
#include <stdio.h>

#define LV2 "http://lv2plug.in/ns/lv2core#"

static const char *text(const LilvNode *node) { return node ? lilv_node_as_string(node) : ""; }

int main(void) {
  LilvWorld *world = lilv_world_new();
  lilv_world_load_all(world);
  LilvNode *audio = lilv_new_uri(world, LV2 "AudioPort");
  LilvNode *in = lilv_new_uri(world, LV2 "InputPort");
  LilvNode *out = lilv_new_uri(world, LV2 "OutputPort");
  LilvNode *midi = lilv_new_uri(world, "http://lv2plug.in/ns/ext/midi#MidiEvent");
  const LilvPlugins *plugins = lilv_world_get_all_plugins(world);
  LILV_FOREACH (plugins, i, plugins) {
    const LilvPlugin *plugin = lilv_plugins_get(plugins, i);
    int midi_in = 0, midi_out = 0;
    for (uint32_t index = 0; index < lilv_plugin_get_num_ports(plugin); index++) {
      const LilvPort *port = lilv_plugin_get_port_by_index(plugin, index);
      if (!lilv_port_supports_event(plugin, port, midi)) continue;
      if (lilv_port_is_a(plugin, port, in)) midi_in = 1;
      if (lilv_port_is_a(plugin, port, out)) midi_out = 1;
    }
    LilvNode *name = lilv_plugin_get_name(plugin);
    LilvNode *author = lilv_plugin_get_author_name(plugin);
    printf("%s\t%s\t%s\t%s\t%u\t%u\t%d\t%d\n", text(lilv_plugin_get_uri(plugin)), text(name), text(author),
           text(lilv_plugin_class_get_uri(lilv_plugin_get_class(plugin))),
           lilv_plugin_get_num_ports_of_class(plugin, audio, in, NULL),
           lilv_plugin_get_num_ports_of_class(plugin, audio, out, NULL), midi_in, midi_out);
    lilv_node_free(name);
    lilv_node_free(author);
  }
  lilv_node_free(audio);
  lilv_node_free(in);
  lilv_node_free(out);
  lilv_node_free(midi);
  lilv_world_free(world);
  return 0;
}
