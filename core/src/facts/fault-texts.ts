import type { Fault, FaultCode } from './fault.js';

type Text = { message: (fault: Fault) => string; remedy: string };

const where = (fault: Fault): string => (fault.line === undefined ? '' : ` in line ${fault.line}`);
const because = (fault: Fault): string => (fault.detail === undefined ? '' : ` (${fault.detail})`);

const NOT_AGAIN =
  'What its files say is used meanwhile. It is not loaded again until the file changes or you choose “Try again”.';

/** The one place where faults are put into words: what is wrong, and what to do about it. */
const TEXTS: Record<FaultCode, Text> = {
  'folder-missing': {
    message: () => 'This folder does not exist.',
    remedy: 'Check the spelling, connect the disk it is on, or take the folder off the list.',
  },
  'folder-unreadable': {
    message: (f) => `You have no permission to read this folder${because(f)}.`,
    remedy: 'Give your user the right to read the folder, then scan again.',
  },
  'folder-made-up': {
    message: () => 'This folder is made up by the system and has no end.',
    remedy: 'Take it off the list, or remove the link that leads there. Nothing in it was looked at.',
  },
  'file-unreadable': {
    message: (f) => `This file could not be read${because(f)}.`,
    remedy: 'Give your user the right to read the file, or check the disk, then scan again.',
  },
  'link-loop': {
    message: () => 'This link leads back to a folder that it lies in.',
    remedy: 'Remove the link; the folder itself has been read.',
  },
  'bundle-without-manifest': {
    message: (f) => `This bundle lacks the file that describes it${because(f)}.`,
    remedy: 'Install the plugin again; the bundle was copied only in part.',
  },
  'bundle-without-plugin': {
    message: (f) => `This bundle holds no plugin${because(f)}.`,
    remedy: 'If it is a plugin of yours, install it again. Otherwise nothing needs to be done.',
  },
  'turtle-broken': {
    message: (f) => `The Turtle file can’t be understood${where(f)}${because(f)}.`,
    remedy: 'Install the plugin again, or tell its vendor; the file is cut short or written wrongly.',
  },
  'json-broken': {
    message: (f) => `The JSON file can’t be understood${where(f)}${because(f)}.`,
    remedy: 'Install the plugin again, or tell its vendor; what the file name tells is used meanwhile.',
  },
  'plist-broken': {
    message: (f) => `The property list can’t be understood${where(f)}${because(f)}.`,
    remedy: 'Install the plugin again, or tell its vendor; what the file name tells is used meanwhile.',
  },
  'file-too-large': {
    message: (f) => `This description is far larger than any that plugins carry${because(f)}, and was not read.`,
    remedy: 'Install the plugin again; a file of this name should be small.',
  },
  'binary-missing': {
    message: (f) => `The description names a binary that is not there${because(f)}.`,
    remedy: 'Install the plugin again, or build it if you made it yourself.',
  },
  'binary-empty': {
    message: () => 'The binary has no content (0 bytes).',
    remedy: 'Install the plugin again; the disk may have been full the first time.',
  },
  'binary-unrecognised': {
    message: () => 'The file is no program for Windows, macOS or Linux.',
    remedy: 'If it is a plugin of yours, install it again. Otherwise nothing needs to be done.',
  },
  'preset-broken': {
    message: (f) => `This preset can't be read${because(f)}.`,
    remedy: 'Save the preset again from its plugin, or remove the file.',
  },
  'asked-crashed': {
    message: (f) => `The plugin crashed while its details were read${because(f)}.`,
    remedy: `Install it again or tell its vendor. ${NOT_AGAIN}`,
  },
  'asked-hung': {
    message: (f) => `The plugin gave no answer in time${because(f)}.`,
    remedy: `It may wait for a licence or a window: start it once in your music program. ${NOT_AGAIN}`,
  },
  'asked-exited': {
    message: (f) => `The plugin ended the process that loaded it${because(f)}.`,
    remedy: `It may lack a licence or another file: start it once in your music program. ${NOT_AGAIN}`,
  },
  'asked-flooded': {
    message: (f) => `The plugin did not stop printing while its details were read${because(f)}.`,
    remedy: `Install it again or tell its vendor. ${NOT_AGAIN}`,
  },
  'asked-spoke': {
    message: (f) => `The plugin disturbed the reading of its details${because(f)}; what it said is not used.`,
    remedy: `Install it again or tell its vendor. ${NOT_AGAIN}`,
  },
  'asked-ended-all': {
    message: () => 'Clever Drawer itself ended while the details of this plugin were read.',
    remedy: `Install it again or tell its vendor. ${NOT_AGAIN}`,
  },
  'asked-forked': {
    message: (f) => `The plugin started other processes while its details were read${because(f)}; they were ended.`,
    remedy: `Tell its vendor. What it said is kept; if something is missing, try again.`,
  },
  'asked-too-large': {
    message: (f) => `The plugin needed more memory than is allowed while its details were read${because(f)}.`,
    remedy: `Install it again or tell its vendor. ${NOT_AGAIN}`,
  },
  'asked-refused': {
    message: (f) => `The system could not load the plugin${because(f)}.`,
    remedy: `Install what is named as missing, or reinstall the plugin. ${NOT_AGAIN}`,
  },
  'ports-untold': {
    message: (f) => `The plugin gave its name and type, then failed to list its inputs and outputs${because(f)}.`,
    remedy:
      'Nothing else is missing. Tell its vendor; it is loaded again when the file changes or you choose “Try again”.',
  },
  'reading-too-long': {
    message: (f) => `Reading this took too long${because(f)}, also when it was tried again alone.`,
    remedy:
      'Choose “Try again” when the computer has less to do. It is not read again by itself until it changes; if it fails again, tell its vendor.',
  },
  'reading-too-large': {
    message: (f) => `Reading this needed more memory than is allowed${because(f)}, and was stopped.`,
    remedy:
      'A file in it may be damaged: if it is a plugin of yours, install it again. It is not read again until it changes.',
  },
  'too-many-plugins': {
    message: (f) => `This place claims to hold more plugins than any real one${because(f)}.`,
    remedy: 'Install it again, or tell its vendor; what is kept can be found as usual.',
  },
  'more-than-kept': {
    message: (f) => `This place lists more than is kept${because(f)}.`,
    remedy: 'What is kept can be found as usual. Tell its vendor when it should be less.',
  },
  'path-too-long': {
    message: (f) => `This path is too long${because(f)}, and was left out.`,
    remedy: 'Move what is in it to a shorter path, then scan again.',
  },
  'not-kept': {
    message: (f) => `What was read could not be saved in the catalogue${because(f)}.`,
    remedy:
      'All the rest of the scan was kept. It is read again with each scan; if that does not help, please report it with this line.',
  },
  'reader-failed': {
    message: (f) => `Reading this place met an error in Clever Drawer itself${because(f)}.`,
    remedy: 'Please report it with this line; everything else was read.',
  },
};

/** A fault in words: what is wrong, and the remedy. Never throws. */
export function describeFault(fault: Fault): { message: string; remedy: string } {
  const text = TEXTS[fault.code];
  return { message: text.message(fault), remedy: text.remedy };
}
