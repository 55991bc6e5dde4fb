/** Scope notes that indexers wrote by hand. */
export const SCOPE_NOTES: Readonly<Record<string, string>> = {
  Chiroptera:
    'Bats of all families. For single families use the narrower headings. Not for the clubs used in sports: use Sports.',
  'Night lighting':
    'Artificial light out of doors between dusk and dawn, whatever its purpose. For brightness of the sky use Light pollution; for lamps as objects use Light sources.',
  'Light pollution':
    'Unwanted light: skyglow, trespass, glare. For light that is wanted at night use Night lighting.',
  Dimming: 'Lamps that give less light for part of the night, or are switched off.',
  'Lamp spectra': 'Colour and spectral composition of lamps, with the colour temperature.',
  'Flight behaviour': 'How animals fly: routes, height, speed. For long journeys use Migration.',
  'Foraging behaviour': 'Search for food and its capture, by any animal.',
  Echolocation: 'Orientation and hunting by sound. For sound as such use Acoustics.',
  Hedgerows: 'Rows of shrubs along fields and roads, planted or grown.',
  'Habitat connectivity': 'How well animals can move through a landscape.',
  'Wildlife crossings': 'Bridges, tunnels and gaps made for animals at roads.',
  Lead: 'The metal. Not for leads in the sense of guidance.',
  'Energy storage': 'Batteries among them.',
  'Street lighting': 'Fixed lighting of public roads and paths. For sports grounds use Floodlighting.',
  'Obtrusive light': 'Light where it is not wanted, as seen by those who plan lighting.',
  'Light emitting diodes': 'Devices and lamps. For displays use Display devices.',
};

/** What headings are called in other languages; several names of one language are separated by `; `. */
export const TRANSLATIONS: Readonly<Record<string, Readonly<Record<'fr' | 'de' | 'es', string>>>> = {
  Chiroptera: {
    fr: 'Chauves-souris; Chiroptères',
    de: 'Fledermäuse; Fledertiere',
    es: 'Murciélagos; Quirópteros',
  },
  Pipistrellus: { fr: 'Pipistrelles', de: 'Zwergfledermäuse', es: 'Murciélagos enanos' },
  Rhinolophus: { fr: 'Rhinolophes', de: 'Hufeisennasen', es: 'Murciélagos de herradura' },
  Myotis: { fr: 'Murins', de: 'Mausohren', es: 'Murciélagos ratoneros' },
  Aves: { fr: 'Oiseaux', de: 'Vögel', es: 'Aves' },
  Insecta: { fr: 'Insectes', de: 'Insekten', es: 'Insectos' },
  Lepidoptera: { fr: 'Papillons', de: 'Schmetterlinge', es: 'Mariposas' },
  'Night lighting': {
    fr: 'Éclairage nocturne; Éclairage public',
    de: 'Straßenbeleuchtung; Nachtbeleuchtung',
    es: 'Alumbrado público; Iluminación nocturna',
  },
  'Light pollution': { fr: 'Pollution lumineuse', de: 'Lichtverschmutzung', es: 'Contaminación lumínica' },
  Light: { fr: 'Lumière', de: 'Licht', es: 'Luz' },
  'Light sources': { fr: 'Lampes', de: 'Lampen', es: 'Lámparas' },
  Dimming: { fr: 'Gradation', de: 'Dimmen', es: 'Atenuación' },
  Behaviour: { fr: 'Comportement', de: 'Verhalten', es: 'Comportamiento' },
  'Foraging behaviour': { fr: 'Recherche de nourriture', de: 'Nahrungssuche', es: 'Forrajeo' },
  'Flight behaviour': { fr: 'Vol', de: 'Flugverhalten', es: 'Vuelo' },
  Hedgerows: { fr: 'Haies', de: 'Hecken', es: 'Setos' },
  Roads: { fr: 'Routes', de: 'Straßen', es: 'Carreteras' },
  Noise: { fr: 'Bruit', de: 'Lärm', es: 'Ruido' },
  Sleep: { fr: 'Sommeil', de: 'Schlaf', es: 'Sueño' },
  'Street lighting': { fr: 'Éclairage public', de: 'Straßenbeleuchtung', es: 'Alumbrado público' },
  Luminaires: { fr: 'Luminaires; Lampadaires', de: 'Leuchten', es: 'Luminarias' },
  'Obtrusive light': { fr: 'Pollution lumineuse', de: 'Störlicht', es: 'Luz intrusa' },
  'Energy saving': { fr: 'Économies d’énergie', de: 'Energieeinsparung', es: 'Ahorro de energía' },
};

/** Headings of Heronsmere that are those of Gantry under another name, or nearly. */
export const MATCHES: Readonly<Record<string, { readonly kind: 'exact' | 'close'; readonly label: string }>> =
  {
    'Light pollution': { kind: 'exact', label: 'Obtrusive light' },
    Light: { kind: 'close', label: 'Photometry' },
  };
