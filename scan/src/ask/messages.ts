import type { AskedPlugin, AskedPorts } from '@clever-drawer/core/facts/asked';
import type { Format } from '@clever-drawer/core/facts/format';

/** What the asking process is told, a line of JSON each: load this file, and ask it in the way of its format. */
export interface Question {
  /** Not to be guessed: who has not been asked can't answer. */
  readonly number: string;
  readonly format: Format;
  /** The file to load. */
  readonly binary: string;
  /** The bundle or file that it belongs to. */
  readonly place: string;
}

/** What it says back, a line of JSON each; `ready` once, when it can be asked. */
export type Message =
  | { readonly ready: true }
  | {
      readonly number: string;
      readonly plugins: readonly AskedPlugin[];
      /** How many more plugins there are than are told of. */
      readonly more?: number;
      /** Processes that the plugin had started; they were ended. */
      readonly started: number;
      /** Why the file could not be asked, in the system's words. */
      readonly refused?: string;
      /** The ports of these plugins are asked next, and told in a message of their own: should that end the process, this much is known. */
      readonly portsFollow?: true;
    }
  | {
      readonly number: string;
      readonly ports: readonly AskedPorts[];
      readonly started: number;
      readonly refused?: string;
    };

/** The first answer to a question. */
export type PluginsMessage = Extract<Message, { plugins: unknown }>;
/** The second one, where it follows. */
export type PortsMessage = Extract<Message, { ports: unknown }>;

/** The pipes between the two, as the asking process knows them. Standard output and error belong to the plugin. */
export const ANSWERS = 3;
export const QUESTIONS = 4;
