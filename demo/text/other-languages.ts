import type { Random } from '../random';

/** Titles and sentences of one language, with slots like those of the English ones. */
interface Language {
  readonly code: string;
  readonly titles: readonly string[];
  readonly sentences: readonly string[];
  readonly words: Readonly<Record<'S' | 'F' | 'R' | 'P' | 'M', readonly string[]>>;
}

/** Words for the themes that people write about in their own language; the key is the theme. */
const FRENCH: Readonly<Record<string, Language['words']>> = {
  'bats-and-light': {
    S: [
      'les chauves-souris',
      'la chauve-souris',
      'les pipistrelles',
      'les murins',
      'les chiroptères',
      'les rhinolophes',
    ],
    F: [
      "l'éclairage public",
      'les lampadaires',
      'la lumière artificielle nocturne',
      'la pollution lumineuse',
      "l'extinction nocturne",
      'les lampes à diodes',
    ],
    R: [
      "l'activité de chasse",
      'les routes de vol',
      'le comportement',
      "l'évitement",
      'le franchissement des routes',
    ],
    P: ['les haies', 'les routes rurales', 'le bocage', 'les lisières', 'les villages'],
    M: ['des enregistrements acoustiques', 'la radiotélémétrie', 'des caméras thermiques'],
  },
  other: {
    S: [
      'les oiseaux',
      'les conducteurs',
      'les patients',
      'les usagers',
      'les sols',
      'les poissons',
      'les élèves',
      'les luminaires',
    ],
    F: [
      "l'éclairage",
      'la température',
      'le bruit',
      'les barrages',
      'la densité',
      'le climat',
      'le plomb',
      'les batteries',
    ],
    R: [
      'le comportement',
      'le sommeil',
      'la mortalité',
      'la sécurité',
      'le rendement',
      'la consommation',
      'la diversité',
    ],
    P: [
      'les villes',
      'les rivières',
      'les hôpitaux',
      'les écoles',
      'les forêts',
      'les exploitations agricoles',
    ],
    M: ['une enquête', 'des mesures de terrain', 'un modèle statistique', 'des archives'],
  },
};
const GERMAN: typeof FRENCH = {
  'bats-and-light': {
    S: [
      'Fledermäuse',
      'die Fledermaus',
      'Zwergfledermäuse',
      'Mausohren',
      'Hufeisennasen',
      'Langohrfledermäuse',
    ],
    F: [
      'Straßenbeleuchtung',
      'künstliches Licht bei Nacht',
      'Lichtverschmutzung',
      'Nachtabschaltung',
      'gedimmte Leuchten',
      'LED-Leuchten',
    ],
    R: ['Flugverhalten', 'Jagdaktivität', 'Meideverhalten', 'Querung von Straßen', 'Aktivität'],
    P: ['Hecken', 'Landstraßen', 'Waldränder', 'Dörfer', 'Alleen'],
    M: ['akustische Erfassung', 'Telemetrie', 'Wärmebildkameras'],
  },
  other: {
    S: ['Vögel', 'Autofahrer', 'Patienten', 'Böden', 'Fische', 'Schüler', 'Leuchten', 'Speicherzellen'],
    F: ['Beleuchtung', 'Temperatur', 'Lärm', 'Wehre', 'Klimawandel', 'Blei', 'Ladeverhalten'],
    R: [
      'Verhalten',
      'Schlafqualität',
      'Sterblichkeit',
      'Verkehrssicherheit',
      'Ertrag',
      'Energieverbrauch',
      'Artenvielfalt',
    ],
    P: ['Städte', 'Flüsse', 'Krankenhäuser', 'Schulen', 'Wälder', 'Betriebe'],
    M: ['eine Befragung', 'Feldmessungen', 'ein statistisches Modell', 'Archivquellen'],
  },
};
const SPANISH: typeof FRENCH = {
  'bats-and-light': {
    S: [
      'los murciélagos',
      'el murciélago',
      'los quirópteros',
      'las pipistrelas',
      'los murciélagos de herradura',
    ],
    F: [
      'el alumbrado público',
      'la luz artificial nocturna',
      'la contaminación lumínica',
      'las farolas',
      'las lámparas cálidas',
      'la atenuación del alumbrado',
    ],
    R: [
      'la actividad',
      'el comportamiento de vuelo',
      'la alimentación',
      'el cruce de carreteras',
      'la evitación',
    ],
    P: ['los setos', 'las carreteras rurales', 'los pueblos', 'los bordes de bosque', 'los caminos'],
    M: ['detectores acústicos', 'radioseguimiento', 'cámaras térmicas'],
  },
  other: {
    S: [
      'las aves',
      'los conductores',
      'los pacientes',
      'los suelos',
      'los peces',
      'los alumnos',
      'las luminarias',
    ],
    F: ['la iluminación', 'la temperatura', 'el ruido', 'las presas', 'el clima', 'el plomo', 'las baterías'],
    R: [
      'el comportamiento',
      'el sueño',
      'la mortalidad',
      'la seguridad vial',
      'el rendimiento',
      'el consumo',
      'la diversidad',
    ],
    P: ['las ciudades', 'los ríos', 'los hospitales', 'las escuelas', 'los bosques', 'las granjas'],
    M: ['una encuesta', 'medidas de campo', 'un modelo estadístico', 'fuentes de archivo'],
  },
};
const TEXTS = {
  fr: {
    words: FRENCH,
    titles: [
      'Effets de {F} sur {S}',
      '{R} et {F} : étude dans {P}',
      '{S} face à {F}',
      'Influence de {F} sur {R} chez {S}',
    ],
    sentences: [
      'Cette étude analyse les effets de {F} sur {R} dans {P} près de {place}.',
      'Nous avons utilisé {M} sur {n} sites en {year}.',
      'Les résultats montrent que {S} sont sensibles à {F} (p < {p}).',
      'Une baisse de {pct} % a été observée pour {R}.',
      'Dans {P}, {F} modifie {R} de façon durable.',
      'Ces résultats peuvent aider les communes à mieux gérer {P}.',
      'Le rôle de {F} reste mal connu, et {S} ont été peu étudiés.',
      'La comparaison avec {place} confirme cette tendance.',
      'Il convient de poursuivre le suivi de {S} pendant plusieurs saisons.',
    ],
  },
  de: {
    words: GERMAN,
    titles: [
      '{S} und {F}: eine Untersuchung im Raum {place}',
      'Einfluss auf {R}: {F} und {S}',
      '{F} und ihre Folgen für {S}',
      '{R} in Abhängigkeit von {F}',
    ],
    sentences: [
      'In dieser Arbeit wird untersucht, wie {F} und {R} zusammenhängen.',
      'An {n} Standorten bei {place} wurde im Jahr {year} durch {M} gemessen.',
      '{S} reagierten deutlich auf {F} (p < {p}).',
      'Für {P} ergab sich ein Rückgang um {pct} Prozent.',
      'Die Ergebnisse zeigen, dass {F} in {P} stärker wirkt als bisher angenommen.',
      '{R} hing außerdem von der Jahreszeit ab.',
      'Gemeinden sollten {P} bei der Planung berücksichtigen.',
      'Über {S} liegen bislang nur wenige Daten vor.',
      'Weitere Untersuchungen über mehrere Jahre sind notwendig.',
    ],
  },
  es: {
    words: SPANISH,
    titles: [
      'Efectos de {F} sobre {S}',
      '{R} y {F} en {P}',
      '{S} ante {F}: un estudio en {place}',
      'Influencia de {F} en {R}',
    ],
    sentences: [
      'Este trabajo estudia cómo {F} afecta a {R} en {P} cerca de {place}.',
      'Se emplearon {M} en {n} localidades durante {year}.',
      'Los resultados indican que {S} responden a {F} (p < {p}).',
      'Se observó una disminución del {pct} por ciento.',
      'En {P}, {F} modificó {R} durante varios meses.',
      'Se recomienda tener en cuenta {P} en la planificación.',
      'Hasta ahora se conocía poco sobre {S} y {F}.',
      'La tendencia coincide con la descrita en {place}.',
      'Son necesarios estudios de mayor duración.',
    ],
  },
} as const;

/** The languages besides English in which works are written. */
export const OTHER_LANGUAGES = ['fr', 'de', 'es'] as const;
export type OtherLanguage = (typeof OTHER_LANGUAGES)[number];

/** Works on bats in general share the words of those on bats and light. */
const ALIKE: Readonly<Record<string, string>> = { bats: 'bats-and-light' };

/** The templates of a language and its words for a theme. */
export function findLanguageText(language: OtherLanguage, theme: string): Omit<Language, 'code'> {
  const { words, titles, sentences } = TEXTS[language];
  return { titles, sentences, words: words[ALIKE[theme] ?? theme] ?? words['other']! };
}

/** How many sentences an abstract in another language has. */
export function chooseLength(random: Random): number {
  return random.between(8, 13);
}
