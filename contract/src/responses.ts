/** The shape of every answer, once: as a schema for the document of the interface, and as a type for server and page. */
export * from './responses/studio.js';
export * from './responses/catalogue.js';
export * from './responses/columns.js';
export * from './responses/changes.js';
export * from './responses/use.js';
export * from './responses/files.js';
