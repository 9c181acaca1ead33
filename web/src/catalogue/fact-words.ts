import type { ComparedFact } from '@clever-drawer/core/catalogue/scan-difference';
import type { AskState, FactSource, SourcedFact } from '@clever-drawer/core/facts/build-facts';

/** Facts in plain words. */
export const FACT_WORDS: Readonly<Record<ComparedFact | SourcedFact, string>> = {
  path: 'file',
  name: 'name',
  vendor: 'vendor',
  version: 'version',
  identifier: 'identifier',
  description: 'description',
  declaredTypes: 'declared type',
  types: 'declared type',
  audioInputs: 'audio inputs',
  audioOutputs: 'audio outputs',
  sidechainInputs: 'sidechain inputs',
  midiInput: 'takes notes',
  midiOutput: 'sends notes',
  ports: 'inputs and outputs',
  architectures: 'processors',
  presets: 'presets',
  pictures: 'pictures',
  replaces: 'replaces',
};

/** Sources of facts, as the end of "… from". */
export const SOURCE_WORDS: Readonly<Record<FactSource, string>> = {
  manifest: 'the file that describes it',
  asked: 'the loaded plugin',
  'version resource': 'the version resource of its file',
  'bundle plist': 'the property list of its bundle',
  'preset files': 'preset files on disk',
  'picture files': 'picture files in its bundle',
  header: 'the header of its program file',
  'file name': 'its file name',
};

/** Whether it was asked, in a sentence. */
export const ASK_WORDS: Readonly<Record<AskState, string>> = {
  asked: 'Read from the loaded plugin.',
  'switched-off': 'It was not loaded: that is switched off for its folder.',
  'other-system': 'It was not loaded: it is for another system.',
  'other-processor': 'It was not loaded: it is for another processor.',
  failed: 'Loading it failed; Intake says why.',
};
