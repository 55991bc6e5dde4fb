import { createTheme } from './theme';

const ECOLOGY_JOURNALS =
  'Annals of Night Ecology; Journal of Applied Hedgerow Science; Mammal Notes; Transactions in Hedged Landscapes; Wildlife and Roads; Letters on Beasts at Dusk; Nocturnal Biology';

/** Bats under lamps: these works answer the demo project's question. */
export const BATS_AND_LIGHT = createTheme(
  'bats-and-light',
  430,
  [1, 0.12, 0.8, 0.45, 0.3, 0.9],
  {
    subjects:
      'bats|bat species|chiropterans; pipistrelles|pipistrelle bats|Pipistrellus; slow-flying bats|Myotis bats|Myotis species; horseshoe bats|rhinolophid bats; light-averse bats|light-shy bats; open-space foraging bats|fast-flying bats; commuting bats|bats on flight routes; serotines and noctules|large bats; insectivorous bats|aerial-hawking bats; long-eared bats|gleaning bats; Chiroptera',
    factors:
      'street lighting|street lights|streetlights|road lighting; artificial light at night|ALAN|nocturnal artificial light; light-emitting diode lamps|LED luminaires|LED streetlights|LEDs; warm-white lamps|amber lamps|warmer lamps|2700K lamps; dimmed lighting|dimming|part-night dimming|reduced illuminance; light pollution|stray light|light trespass; part-night lighting|switching off lamps after midnight; high-pressure sodium lamps|sodium lamps; red light|red lamps; motion-triggered lights|sensor-controlled lamps; illuminated roads|lit roads|lit verges; white light|broad-spectrum lamps; colour temperature of lamps|lamp spectra|spectral composition',
    responses:
      'bat activity|activity|passes per night|acoustic activity; flight behaviour|flight paths|flight height; foraging|foraging activity|feeding buzzes; commuting behaviour|use of commuting routes; avoidance of lit hedgerows|avoidance behaviour|avoidance; road crossing|crossing events|safe crossing; use of hedgerows|hedgerow use|use of linear features; roost emergence|emergence time; habitat use|space use; species composition|assemblage composition; movement along roads|movements across verges; barrier effects|barrier effect of lit roads',
    methods:
      'acoustic monitoring|passive acoustic detectors|bat detectors|echolocation recordings; a before-after control-impact design|a BACI experiment; radio telemetry|radio-tracking|GPS tags; thermal imaging|infrared cameras; paired lit and unlit transects|matched dark and lit sites; generalised linear mixed models|mixed-effects models; experimental lamps|temporary lamp posts|portable lights; a field experiment|a landscape-scale experiment',
    settings:
      'hedgerows|hedges|hedge lines; rural roads|country lanes|minor roads; tree-lined avenues|tree lines; suburban streets|residential streets; road verges and underpasses|underpasses; riparian corridors|river corridors; farmland|agricultural landscapes; villages at the edge of woodland|woodland edges',
    details:
      'light-averse species; insect prey at lamps; moth abundance; dark corridors; unlit refuges; mitigation lighting; spectral tuning; vertical illuminance at canopy height; dusk emergence; the lunar cycle; cloud cover; traffic volume; vegetation height; lamp spacing; lamp-post density; predation risk; gap width; sensitive crossing points; spill light; local authorities; dark infrastructure; echolocation call libraries',
    keywords:
      'bats; artificial light at night; Chiroptera; street lighting; LED; light pollution; hedgerows; roads; mitigation; foraging; commuting; part-night lighting; Pipistrellus; Myotis; dimming; landscape connectivity; colour temperature; behaviour',
    sources: ECOLOGY_JOURNALS,
    heronsmere:
      'Chiroptera; Pipistrellus; Myotis; Night lighting; Light pollution; Flight behaviour; Foraging behaviour; Hedgerows; Roads; Habitat connectivity; Dimming',
    gantry: 'Street lighting; Environmental impact; Luminaires; Obtrusive light; Light emitting diodes',
  },
  { answersDemo: true, hasSpecies: true },
);

export const NIGHT_ANIMALS = [
  createTheme(
    'bats',
    1750,
    [1, 0.02, 0.75, 0.35, 0.35, 0.85],
    {
      subjects:
        'bats|bat populations|Chiroptera; pipistrelles|Pipistrellus bats; fruit bats|flying foxes|pteropodids; horseshoe bats|rhinolophids; vampire bats; Myotis bats|mouse-eared bats; cave-dwelling bats|cave bats; maternity colonies|nursery colonies; migratory bats',
      factors:
        'wind turbines|wind energy facilities; white-nose infection|fungal skin disease; roost loss|loss of roosts in buildings; hibernation temperature|torpor microclimate; forest fragmentation|woodland fragmentation; viral infection|coronavirus infection; agricultural intensification; prey abundance|insect abundance; climate warming|warming winters; echolocation constraints; white lights at cave entrances',
      responses:
        'survival|overwinter survival; roost fidelity|roost switching; echolocation calls|call structure; diet|prey selection|dietary breadth; torpor expression|torpor bouts; reproductive success|pup growth; seasonal migration|migratory timing; genetic structure|gene flow; fatality rates|carcass counts; parasite load|ectoparasite load; flight morphology|wing loading',
      methods:
        'mist netting|harp traps; acoustic monitoring|bat detectors; metabarcoding of guano|DNA metabarcoding; capture-mark-recapture models; radio-tracking|telemetry; stable isotopes; museum specimens; carcass searches; microsatellite markers',
      settings:
        'caves|karst caves; old-growth woodland|deciduous woodland; buildings|attics of old buildings; wind farms; tropical dry forest; orchards; mines|disused mines; coastal dunes',
      details:
        'roost emergence counts; ultrasound; guano deposits; swarming sites; bat sentLimiters; bat hawking; batflies; nectar feeding; lactating females; bat house design; forearm length; hibernacula; the batcave gating debate; zoonotic spillover',
      keywords:
        'bats; Chiroptera; echolocation; roost; torpor; hibernation; wind energy; diet; acoustic monitoring; conservation; Myotis; virus',
      sources: ECOLOGY_JOURNALS + '; Bulletin of Chiropteran Studies',
      heronsmere:
        'Chiroptera; Echolocation; Roosting; Torpor; Hibernation; Wind farms; Diet; Migration; Myotis; Pipistrellus; Pteropodidae; Animal diseases',
      gantry: 'Wind turbines; Environmental impact; Ultrasonics',
    },
    { hasSpecies: true },
  ),
  createTheme(
    'night-insects',
    1500,
    [1, 0.05, 0.75, 0.35, 0.2, 0.8],
    {
      subjects:
        'moths|nocturnal moths|Lepidoptera; glow-worms|fireflies|lampyrid beetles; ground beetles|carabids; nocturnal pollinators|night-active pollinators; mayflies|aquatic insects; crickets; spiders|orb-web spiders; mosquitoes; aphids; nocturnal insects|night-flying insects',
      factors:
        'artificial light at night|ALAN; street lights|streetlights|street lamps; LED lamps|LEDs|white LEDs; light pollution|skyglow; ultraviolet lamps|UV lamps; mercury vapour lamps; light traps|lamp traps; polarised light; dim light at night',
      responses:
        'abundance|trap catches; attraction to lamps|flight-to-light behaviour; pollen transport|pollination at night; mating success|courtship flashing; caterpillar growth|larval development; species richness; circadian rhythm|daily activity; predation|parasitism; dispersal',
      methods:
        'light traps|lamp traps; field mesocosms|mesocosm experiments; transect walks; laboratory choice experiments|Y-maze trials; long-term monitoring data|monitoring schemes; video tracking',
      settings:
        'meadows|grassland; hedgerows|hedges; allotments and gardens|gardens; river banks|riparian meadows; road verges|roadsides; heathland; city parks',
      details:
        'insect declines; flight height; lamp spectra; the shielding of lamps; larval food plants; pheromone release; lunar phase; bat predation; lampyrid populations; sex ratio of catches; trap-night counts',
      keywords:
        'moths; ALAN; light pollution; street lights; insects; pollination; LED; attraction; fireflies; nocturnal',
      sources:
        'Annals of Night Ecology; Insect Observer; Journal of Moth Research; Nocturnal Biology; Transactions in Hedged Landscapes',
      heronsmere:
        'Lepidoptera; Insecta; Night lighting; Light pollution; Light traps; Pollination; Coleoptera; Circadian rhythm; Population decline',
      gantry: 'Light emitting diodes; Obtrusive light; Street lighting',
    },
    { hasSpecies: true },
  ),
  createTheme(
    'night-vertebrates',
    1500,
    [1, 0.03, 0.75, 0.35, 0.2, 0.8],
    {
      subjects:
        'songbirds|passerines|garden birds; sea turtle hatchlings|hatchling turtles; owls|barn owls; hedgehogs; toads and frogs|amphibians; mice|wood mice|small mammals; shearwaters|petrels|seabird fledglings; badgers and foxes|carnivores; reef fish|coastal fish; geckos',
      factors:
        'artificial light at night|ALAN|night lighting; beachfront lighting|coastal lighting; street lamps|street lights|road lights; illuminated buildings|floodlights; skyglow|sky glow; lighthouse beams; dim light at night; vehicle headlamps|headlights; urbanisation',
      responses:
        'dawn song|onset of song; sea finding|orientation; stopover behaviour|migratory stopover; sleep behaviour|nocturnal rest; melatonin levels|melatonin suppression; foraging behaviour|foraging activity; breeding phenology|laying date; predator vigilance; fledgling grounding|fallout; corticosterone',
      methods:
        'nest sentLimiters fitted with lamps; camera traps; weather radar|radar data; blood samples|hormone assays; citizen science records; satellite tracking; experimental lights|experimental illumination; choice arenas',
      settings:
        'city parks|urban parks; sandy beaches|nesting beaches; hedgerows and gardens; islands|oceanic islands; suburbs|suburban gardens; coral reefs; ponds; airports',
      details:
        'light intensity gradients; lamp colour; lights-out programmes; grounded fledglings; clutch size; telomere length; nocturnal singing; predator eyeshine; immune function; lamp shields',
      keywords:
        'ALAN; light pollution; birds; sea turtles; melatonin; urban ecology; orientation; song; amphibians; behaviour',
      sources:
        'Annals of Night Ecology; Feather and Field; Island Conservation Reports; Letters on Beasts at Dusk; Nocturnal Biology',
      heronsmere:
        'Aves; Testudines; Amphibia; Night lighting; Light pollution; Orientation; Melatonin; Animal behaviour; Circadian rhythm; Bird song; Urban areas',
      gantry: 'Obtrusive light; Floodlighting; Environmental impact',
    },
    { hasSpecies: true },
  ),
  createTheme(
    'hedgerows',
    1500,
    [1, 0.05, 0.7, 0.3, 0.35, 0.8],
    {
      subjects:
        'hedgerows|hedges|field hedges; dormice|hazel dormice; farmland birds|hedge-nesting birds; hedgerow trees; pollinators|wild bees; soil organisms beneath hedges; hedgerow plants|hedge-bottom flora; beneficial insects|natural enemies; shrews',
      factors:
        'flail cutting|hedge cutting regime|annual trimming; hedge removal|loss of hedges; agri-environment schemes|stewardship payments; field size|farm size; road construction|new roads; pesticide drift; gap planting|hedge laying; connectivity|landscape connectivity; road verges',
      responses:
        'berry production|fruit set; nesting success|brood survival; carbon storage|soil carbon; species richness|plant diversity; movement|dispersal along hedges; pollination services; road mortality|roadkill; microclimate|shelter effects',
      methods:
        'aerial photographs|historic maps; field surveys|hedge surveys; nest monitoring; soil cores; farmer interviews|interviews; airborne laser scanning|lidar; nut searches|hair tubes; landscape models|connectivity models',
      settings:
        'lowland farmland|arable farmland; bocage landscapes|bocage; dairy farms; sunken lanes|green lanes; upland pasture; orchards; motorway verges',
      details:
        'hedge width; hedge bank age; the batter of hedge banks; hawthorn and blackthorn; set-aside strips; tenancy agreements; field margins; bat corridors; stone walls; windbreak effects; gap lengths',
      keywords:
        'hedgerows; farmland; connectivity; agri-environment schemes; biodiversity; carbon; road verges; hedge management; dormouse',
      sources:
        'Journal of Applied Hedgerow Science; Transactions in Hedged Landscapes; Field and Farm; Wildlife and Roads',
      heronsmere:
        'Hedgerows; Farmland; Agri-environment schemes; Habitat connectivity; Pollination; Aves; Soil carbon; Roads; Plant diversity',
      gantry: 'Land use; Road construction; Airborne laser scanning',
    },
    { hasSpecies: true },
  ),
  createTheme(
    'roads-wildlife',
    1200,
    [1, 0.2, 0.7, 0.35, 0.3, 0.8],
    {
      subjects:
        'deer|roe deer|ungulates; amphibians|toads; road-killed mammals|carnivores; birds near roads|roadside birds; otters; snakes|reptiles; badgers; small mammals; wolves',
      factors:
        'traffic noise|road noise; traffic volume|vehicle traffic; road crossing structures|green bridges|wildlife overpasses; fencing|exclusion fences; road verges|verge management; de-icing salt; headlights|vehicle lights; speed limits; road lighting',
      responses:
        'roadkill rates|collision rates|wildlife-vehicle collisions; crossing rates|use of crossings; genetic isolation|gene flow; road avoidance|avoidance zones; vocal adjustment|call frequency; population viability; movement behaviour|home range use',
      methods:
        'camera traps; carcass surveys|roadkill surveys; collision databases|police records; GPS collars; noise mapping; population models|viability models; track beds',
      settings:
        'motorways|highways; forest roads; railway lines; river bridges|culverts and underpasses; wetlands crossed by roads; peri-urban roads; mountain passes',
      details:
        'warning reflectors; detour distance; seasonal peaks; insurance claims; verge mowing; tunnel lighting; drift fences; driver reaction; bat gantries; wire bridges; hop-overs planted with trees',
      keywords:
        'road ecology; roadkill; crossing structures; traffic noise; connectivity; verges; mitigation; collisions',
      sources:
        'Wildlife and Roads; Transactions in Hedged Landscapes; Journal of Transport and Nature; Mammal Notes',
      heronsmere:
        'Roads; Road mortality; Habitat connectivity; Noise; Mammalia; Amphibia; Animal behaviour; Wildlife crossings; Home range',
      gantry: 'Road construction; Noise control; Environmental impact; Bridges',
    },
    { hasSpecies: true },
  ),
];
