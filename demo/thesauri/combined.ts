import type { Heading } from '#core/vocabulary/index';
import type { ThesaurusId } from './thesaurus-id';

/** A matter and the word that it gives to combined headings. */
const GROUPS = `Aves: Bird; Chiroptera: Bat; Rodentia: Rodent; Carnivora: Carnivore; Amphibia: Amphibian; Testudines: Turtle; Freshwater fish: Freshwater fish; Marine fish: Marine fish; Insecta: Insect; Lepidoptera: Moth; Coleoptera: Beetle; Apidae: Bee; Culicidae: Mosquito; Cattle: Cattle; Swine: Pig; Poultry: Poultry; Strigiformes: Owl; Passeriformes: Songbird; Anseriformes: Waterfowl; Lampyridae: Firefly; Plants: Plant; Infants: Infant; Children: Child; Adolescents: Adolescent`;
/** What a combined heading is about, and the heading above it. */
const ASPECTS = `populations: Populations; diet: Diet; vision: Visual perception; diseases: Animal diseases; migration: Migration; habitats: Landscape; conservation: Protected areas; growth: Plant functions; sleep: Sleep; hearing: Acoustics; learning: Learning`;
const PARTS = `Lamp, Luminaire, Battery, Sensor, Pump, Motor, Bridge, Pipe, Turbine, Cable, Converter, Antenna, Camera, Valve, Road, Tunnel, Building, Greenhouse, Vehicle, Rail, Display, Reactor, Membrane, Coating, Concrete, Laser, Filter, Dam, Sewer, Signal, Camera, Mast, Façade, Circuit, Semiconductor`;
const TASKS = `design, testing, maintenance, costs, standards, failure, modelling, control, recycling, safety`;

/** Headings that combine a matter with an aspect, as indexers form them when the first thesaurus grows. */
export function combineHeadings(id: ThesaurusId): Heading[] {
  return id === 'heronsmere' ? combineGroups() : combineParts();
}

function combineGroups(): Heading[] {
  return readPairs(GROUPS).flatMap(([group, name]) =>
    readPairs(ASPECTS).map(([aspect, above], place): Heading => ({
      label: `${name} ${aspect}`,
      entryTerms: place % 2 === 0 ? [`${capitalise(aspect)} of ${group.toLowerCase()}`] : [],
      broader: [above],
      related: [group],
      ...(place % 5 === 4 && { since: 1996 + place }),
    })),
  );
}

function combineParts(): Heading[] {
  return [...new Set(PARTS.split(', '))].flatMap((part) =>
    TASKS.split(', ').map((task, place): Heading => ({
      label: `${part} ${task}`,
      entryTerms: place % 3 === 0 ? [`${capitalise(task)} of ${part.toLowerCase()}s`] : [],
      broader: [],
      related: [],
    })),
  );
}

function readPairs(text: string): (readonly [string, string])[] {
  return text.split('; ').map((pair) => {
    const [first = '', second = ''] = pair.split(': ');
    return [first, second];
  });
}

function capitalise(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
