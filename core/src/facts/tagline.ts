import type { BuildFacts } from './build-facts.js';

// A dash set off by blanks; "x-over" and "Saw-VCO" are words.
const TAGLINE = /^\S.*?\s+(?:-{1,3}|–|—)\s+(\S.*\S)$/u;

/** A build that has no description takes the tagline behind the dash in its name for one: the shown name may lose it. */
export function describedByName(build: BuildFacts): BuildFacts {
  if (build.description !== null) return build;
  const description = TAGLINE.exec(build.name)?.[1];
  const { name } = build.sources;
  if (description === undefined || name === undefined) return build;
  return { ...build, description, sources: { ...build.sources, description: name } };
}
