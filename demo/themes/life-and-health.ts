import { createTheme } from './theme';

export const LIFE_AND_HEALTH = [
  createTheme('sleep', 2400, [0.9, 0.08, 0.85, 0.45, 0.3, 0.9], {
    subjects:
      'shift workers|night-shift nurses; adolescents|teenagers; older adults|care home residents; preterm infants|infants; healthy volunteers|young adults; city dwellers|urban residents; rats|mice; students|university students; patients with insomnia',
    factors:
      'light at night|night-time light exposure|artificial light at night; screen use|blue light from screens; bedroom lighting|dim bedroom light; shift work|night work; street lights outside the bedroom|outdoor light at night; bright light therapy|light therapy; caffeine; noise|traffic noise; warm baths before bed|bathing before bedtime',
    responses:
      'sleep quality|sleep efficiency; melatonin suppression|melatonin; circadian phase|circadian rhythm|phase shift; depressive symptoms|mood; body mass index|weight gain; alertness|daytime sleepiness; cancer risk|breast cancer; blood pressure; cognitive performance',
    methods:
      'actigraphy|wrist actigraphy; polysomnography; sleep diaries|questionnaires; randomised crossover trials|a randomised crossover trial; cohort data|a prospective cohort; satellite night light data; salivary assays|saliva samples; light loggers|wearable light meters',
    settings:
      'hospitals|intensive care units; dormitories; care homes; polar stations; sleep laboratories|a sleep laboratory; homes|private bedrooms; ships',
    details:
      'chronotype; social jet lag; lamp filters; rotating rosters; suprachiasmatic nuclei; night terrors; bathrooms with bright lamps; batteries of cognitive tests; test battery scores; retinal ganglion cells; nap length; bathing',
    keywords:
      'sleep; light at night; melatonin; circadian rhythm; shift work; blue light; insomnia; ALAN; health',
    sources: 'Observations of Sleepers; Journal of Night Work; Chronobiology Papers; Notes for Town Doctors',
    heronsmere:
      'Sleep; Melatonin; Circadian rhythm; Night lighting; Shift work; Human health; Insomnia; Depression; Adolescents; Neoplasms',
    gantry: 'Ergonomics; Display devices; Light emitting diodes',
  }),
  createTheme('bathing', 1100, [0.6, 0.15, 0.6, 0.35, 0.35, 0.8], {
    subjects:
      'patients with arthritis|arthritis patients; newborn infants|newborns; spa visitors|bathers; bathing waters|beaches; burn patients; nursing staff; thermal baths|hot springs; athletes after exercise',
    factors:
      'warm baths|hot baths|bathing; balneotherapy|spa therapy|mineral baths; chlorhexidine bathing|daily bathing; cold-water immersion|ice baths; faecal pollution|sewage overflow; mud packs; bath additives|bath salts; delayed first bath',
    responses:
      'pain scores|pain; infection rates|bloodstream infections; heart rate variability; skin condition|skin barrier; water quality|bacterial counts; recovery|muscle soreness; body temperature; patient satisfaction',
    methods:
      'randomised controlled trials|a randomised trial; systematic review; culture methods|bacterial culture; visual analogue scales; observational cohort; water sampling campaigns; interviews with nurses',
    settings:
      'spa towns|health resorts; intensive care units|hospital wards; coastal resorts; swimming pools|public baths; nursing homes; rivers; rehabilitation clinics',
    details:
      'bathtub safety; bathroom falls; sauna bathing; bathwater temperature; bath emollients; batches of mud; bathing-water labels; hydrotherapy pools; bather density; aromatic oils; led by nurses',
    keywords: 'balneotherapy; bathing; hydrotherapy; infection control; water quality; pain; recovery; spa',
    sources: 'Journal of Spa Medicine; Ward Practice; Coastal Water Notes; Rehabilitation Letters',
    heronsmere:
      'Balneotherapy; Hydrotherapy; Infection control; Water quality; Pain; Human health; Skin; Rehabilitation',
    gantry: 'Water quality; Swimming pools; Disinfection',
  }),
  createTheme(
    'lampreys',
    1100,
    [1, 0.04, 0.7, 0.3, 0.25, 0.8],
    {
      subjects:
        'sea lampreys|lampreys; river lampreys|Lampetra; lamprey larvae|ammocoetes; invasive sea lamprey|parasitic lampreys; brook lampreys; lake trout attacked by lampreys|host fish; spawning lampreys|adult lampreys; freshwater fish|salmonids; eels',
      factors:
        'lampricides|lampricide treatment; low-head barriers|barriers and weirs; pheromones|migratory pheromones; fishways|fish passes; sediment quality|silt deposits; water temperature; lighting at weirs|lamps at traps; dam removal; trapping',
      responses:
        'larval density|ammocoete density; spawning migration|upstream migration; passage efficiency|passage success; wounding rates|host mortality; spinal cord regeneration; genome rearrangement; survival|mortality; nocturnal movement|night-time movement; attachment behaviour',
      methods:
        'electrofishing|electric fishing; acoustic telemetry|telemetry; toxicity tests; environmental DNA|eDNA sampling; sequencing|genome sequencing; video counting|fish counters; mark-recapture',
      settings:
        'great lakes|large lakes; tributaries|tributary streams; regulated rivers|impounded rivers; estuaries; gravel beds; hatcheries; tidal rivers',
      details:
        'lampricide application; oral disc; lamprey pie; lampricide granules; Lampetra planeri; nest building; the lampern fishery; lampbrush chromosomes; host scars; buccal gland; batch marking of larvae; bathymetric maps of spawning grounds',
      keywords:
        'sea lamprey; lampricide; barriers; migration; invasive species; ammocoetes; pheromone; Petromyzon',
      sources: 'River Fish Notes; Journal of Jawless Vertebrates; Freshwater Control; Fish Passage Letters',
      heronsmere:
        'Petromyzontiformes; Lampricides; Fish migration; Invasive species; Freshwater fish; Barriers; Animal behaviour; Pheromones; Rivers',
      gantry: 'Fish passes; Dams; Environmental impact; Telemetry',
    },
    { hasSpecies: true },
  ),
  createTheme('colour-vision', 1500, [0.8, 0.2, 0.8, 0.4, 0.3, 0.9], {
    subjects:
      'observers|human observers; honeybees|bumblebees; primates; zebrafish; colour-deficient observers|colour-blind people; chickens|laying hens; jumping spiders; children; painters',
    factors:
      'colour contrast|chromatic contrast; illuminant colour|colour of the illuminant; wavelength|light wavelength; background colour; adaptation|chromatic adaptation; flicker|temporal modulation; culture and language; warm and cool lamps|lamp colour; ageing of the lens',
    responses:
      'colour discrimination|hue discrimination; colour naming; reaction time; preference|colour preference; visual acuity|acuity; colour constancy; learning behaviour|associative learning; feeding behaviour|pecking behaviour; comfort',
    methods:
      'psychophysical experiments|psychophysics; electroretinography; microspectrophotometry; eye tracking; behavioural training|conditioning; functional imaging|brain imaging; opsin sequencing',
    settings:
      'dim light|mesopic light; daylight; virtual environments; classrooms; poultry houses|barns; laboratories; art galleries',
    details:
      'cone opsins; metameric lamps; grey cards; batteries of vision tests; just noticeable differences; unique hues; spectral sensitivity; pupil size; afterimages; colour temperature; coloured filters',
    keywords: 'colour vision; perception; behaviour; opsin; colour constancy; contrast; lighting; learning',
    sources: 'Vision Notes; Journal of Hue; Letters on Beasts at Dusk; Perception Papers',
    heronsmere: 'Visual perception; Colour vision; Animal behaviour; Retina; Learning; Apidae; Light sources',
    gantry: 'Colour rendering; Lighting quality; Display devices; Flicker',
  }),
  createTheme('lead-exposure', 1300, [0.85, 0.35, 0.8, 0.35, 0.3, 0.85], {
    subjects:
      'children|young children; drinking water|tap water; soils|garden soils; waterfowl|raptors; workers|battery workers; pregnant women; vegetables|leafy vegetables; house dust; rats',
    factors:
      'lead exposure|lead|lead contamination; lead pipes|lead service lines; smelters|secondary smelters; lead shot|lead ammunition; leaded petrol; lead paint; battery recycling|informal battery recycling; phosphate amendments; corrosion control',
    responses:
      'blood lead|blood lead levels; cognitive development|intelligence; kidney function; bioaccessibility; lead uptake|plant uptake; behaviour problems|behavioural problems; anaemia; mortality; leaching',
    methods:
      'mass spectrometry|ICP-MS; isotope ratios|lead isotopes; cohort studies|a birth cohort; sequential extraction; x-ray fluorescence; pot experiments; exposure modelling',
    settings:
      'mining towns|mining districts; old housing|older houses; schools; wetlands; allotments; shooting ranges; industrial suburbs; recycling yards',
    details:
      'chelation; remediation; water fountains; crockery glazes; lead-zinc ores; acid baths; batches of spices; legacy pollution; action levels; calcium intake; led to bans',
    keywords: 'lead; heavy metals; blood lead; drinking water; soil; children; exposure; remediation',
    sources:
      'Notes for Town Doctors; Journal of Metal Exposure; Soil and Water Papers; Water Treatment Letters',
    heronsmere:
      'Lead; Heavy metals; Human health; Soil pollution; Water quality; Children; Anseriformes; Cognition',
    gantry: 'Lead; Water pipes; Corrosion; Soil remediation; Recycling; Lead acid batteries',
  }),
  createTheme('farm-animals', 1500, [1, 0.05, 0.7, 0.35, 0.3, 0.8], {
    subjects:
      'laying hens|hens; dairy cows|dairy cattle; broiler chickens|broilers; pigs|growing pigs; sheep|ewes; turkeys; horses; farmed salmon; rabbits; goats',
    factors:
      'lighting programmes|light programmes|photoperiod; stocking density; enrichment|environmental enrichment; feed additives|diet; heat stress; dim red light; transport; milking frequency; foot baths|footbaths',
    responses:
      'egg production|laying rate; feather pecking|pecking behaviour; growth rate|weight gain; lameness|hoof health; milk yield; welfare|animal welfare; stress hormones|cortisol; mortality; feed conversion',
    methods:
      'behavioural observation|video observation; randomised pen trials|pen trials; on-farm assessment|farm visits; blood sampling; gait scoring; sensor collars|accelerometers; meta-analysis',
    settings:
      'commercial farms; aviaries|aviary houses; battery cages|cages; barns; pasture; sea cages; research farms; slaughterhouses',
    details:
      'batch rearing; batches of chicks; battery hens; lamp brooders; heat lamps for piglets; dust bathing; bathing water for ducks; sand baths; all-in all-out batches; comb colour; the abattoir; beak trimming',
    keywords: 'animal welfare; poultry; dairy; lighting; behaviour; growth; lameness; enrichment',
    sources: 'Barn and Byre; Journal of Farm Animal Light; Poultry Notes; Field and Farm',
    heronsmere:
      'Animal welfare; Poultry; Cattle; Photoperiodism; Animal behaviour; Feed; Stress; Swine; Egg production',
    gantry: 'Farm buildings; Ventilation; Lighting control; Sensors',
  }),
  createTheme('medical-lamps', 900, [0.6, 0.3, 0.7, 0.4, 0.25, 0.85], {
    subjects:
      'resin composites|dental composites; jaundiced newborns|newborns with jaundice; patients with psoriasis; wounds|chronic wounds; surgical teams; bacterial biofilms|biofilms; ventilation air; skin cancer patients; contact lenses',
    factors:
      'curing lamps|LED curing lamps|curing lights; phototherapy|blue light phototherapy; ultraviolet lamps|UV-C lamps|germicidal lamps; laser therapy; surgical lamps|operating lights; slit lamps|slit-lamp examination; photosensitisers; exposure time',
    responses:
      'degree of conversion|polymerisation; bilirubin decline; bacterial inactivation|log reduction; lesion clearance; shadow-free illumination; adverse effects; bond strength; healing time',
    methods:
      'in vitro tests|laboratory tests; randomised trials|a randomised trial; radiometry|irradiance measurements; spectroscopy; clinical audit; systematic review; plate counts',
    settings:
      'dental clinics|dental practices; neonatal wards; operating theatres; outpatient clinics; ambulances; laboratories; isolation rooms',
    details:
      'lamp output decay; light guides; slit-lamp photographs; batches of resin; water bath storage; protective eyewear; lampholders; infection control bundles; composite shade; thermal rise; sitz baths',
    keywords:
      'phototherapy; curing light; ultraviolet; dental materials; disinfection; LED; newborn; irradiance',
    sources: 'Clinical Lamp Studies; Journal of Dental Matter; Ward Practice; Skin Letters',
    heronsmere:
      'Phototherapy; Dental materials; Disinfection; Human health; Skin; Infants; Light sources; Infection control',
    gantry: 'Light emitting diodes; Disinfection; Ultraviolet lamps; Medical devices; Polymers',
  }),
];
