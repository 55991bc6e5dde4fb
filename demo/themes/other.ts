import { createTheme } from './theme';

export const OTHER = [
  createTheme('bat-and-ball', 1300, [0.3, 0.4, 0.65, 0.5, 0.6, 0.9], {
    subjects:
      'batsmen|batters; cricket bats|bats; baseball bats|wooden bats|aluminium bats; bowlers|fast bowlers; table tennis players; batting helmets; wicket keepers; cricket fans|spectators; youth players|junior players',
    factors:
      'bat mass|bat weight; pitch length; batting practice|practice schedules; bowling speed|ball speed; bat stiffness|blade profile; coaching style; floodlights|floodlit matches; fatigue; rule changes',
    responses:
      'swing speed|bat speed; batting performance|batting averages|runs scored; injury rates|shoulder injury; ball exit velocity; timing errors|interception timing; gaze behaviour|visual anticipation; team selection; vibration|sting in the hands; attendance',
    methods:
      'high-speed video|motion capture; finite element models; match statistics|ball-by-ball data; interviews with players; impact tests; eye tracking; regression models; archive newspapers',
    settings:
      'county grounds|cricket grounds; batting cages|indoor nets; schools|school playing fields; professional leagues; colonial clubs; laboratories; test matches',
    details:
      'willow blades; sweet spot; the batting order; battered balls; batting gloves; night matches under lamps; leg spin; batter-bowler duels; corked bats; pinch hitting; lampooned captains; the toss; left-handed batsmen',
    keywords: 'cricket; baseball; batting; bat; sports equipment; performance; injury; swing',
    sources: 'Journal of Bat and Ball; Sports Motion; Pavilion Papers; Equipment Mechanics',
    heronsmere: 'Sports; Injuries; Human behaviour; Visual perception; Biomechanics',
    gantry: 'Sports equipment; Vibration; Impact testing; Floodlighting; Composite materials',
  }),
  createTheme(
    'seabed',
    1200,
    [0.4, 0.5, 0.75, 0.3, 0.3, 0.85],
    {
      subjects:
        'submarine canyons|canyons; continental shelves|the continental shelf; coral reefs|cold-water corals; estuaries|tidal channels; lake floors|lake basins; seamounts; sand banks|sandwaves; deep-sea fish|bathypelagic fish; harbours',
      factors:
        'sediment transport|bedload; storm waves|storms; dredging; tidal currents|currents; sea-level rise; slope instability|landslides; trawling; glacial erosion; survey resolution',
      responses:
        'seabed depth|bathymetry; erosion rates|erosion; habitat distribution|benthic habitats; roughness|bed roughness; species richness; volume change; acoustic backscatter|backscatter; turbidity',
      methods:
        'multibeam surveys|multibeam bathymetry; satellite-derived bathymetry|bathymetric inversion; sediment cores|cores; side-scan sonar; numerical models; remotely operated vehicles|underwater cameras; seismic profiles; airborne lidar',
      settings:
        'fjords; ocean margins; river mouths|deltas; polar seas; volcanic islands; lagoons; inland seas',
      details:
        'bathymetric charts; bathyal zones; bathyscaphe dives; bathythermographs; bathymetrists; lamps of submersibles; tide gauges; slump scars; echosounder calibration; carbonate mounds; turbidites; battered coasts',
      keywords: 'bathymetry; multibeam; seabed mapping; sediment; habitat; erosion; sonar; remote sensing',
      sources: 'Seafloor Notes; Journal of Shelf Processes; Coastal Water Notes; Marine Survey Letters',
      heronsmere: 'Benthos; Sediments; Oceans; Marine fish; Remote sensing; Coral reefs; Estuaries',
      gantry: 'Bathymetry; Sonar; Sediment transport; Dredging; Airborne laser scanning; Surveying',
    },
    { hasSpecies: true },
  ),
  createTheme('rocks', 900, [0.1, 0.35, 0.7, 0.3, 0.3, 0.8], {
    subjects:
      'lamprophyres|lamprophyre dykes; granite batholiths|batholiths; lamproites|diamond-bearing lamproites; basalts|flood basalts; metamorphic belts; zircons|zircon grains; ore deposits|gold deposits; volcanic glass; mantle xenoliths',
    factors:
      'mantle metasomatism|metasomatism; crustal assimilation|contamination; fractional crystallisation; subduction|slab rollback; hydrothermal fluids|fluids; uplift; cooling rate; oxygen fugacity',
    responses:
      'trace element patterns|trace elements; isotope ratios|isotopes; crystallisation age|ages; mineral chemistry|mica chemistry; emplacement depth; gold grade; volatile content; texture|porphyritic textures',
    methods:
      'laser ablation|laser ablation mass spectrometry; petrography|thin sections; uranium-lead dating|U-Pb dating; electron microprobe; geochemical modelling; field mapping|mapping; phase equilibria',
    settings:
      'cratons|craton margins; collision belts|orogenic belts; rift valleys|rifts; quarries; dyke swarms; island arcs; shear zones',
    details:
      'lamprophyric magmas; biotite phenocrysts; batholithic roots; lead isotopes; calc-alkaline series; carbonate ocelli; lamprophyllite; chilled margins; heat flow; batches of melt; melt batches; spinifex',
    keywords: 'lamprophyre; geochemistry; isotopes; mantle; batholith; petrogenesis; dating; gold',
    sources: 'Dyke and Vein; Journal of Deep Rocks; Mineral Papers; Crust Letters',
    heronsmere: 'Minerals; Isotopes; Lead',
    gantry: 'Geochemistry; Mineral deposits; Surveying; Lead',
  }),
  createTheme('science-lives', 900, [0.25, 0.25, 0.6, 0.5, 1, 0.95], {
    subjects:
      'letters of naturalists|naturalists; women in science|women scientists; instrument makers; night watch societies; laboratory notebooks; Alan and his circle|the lens grinder Alan; lighting engineers of the past|lamp makers; scientific academies; field stations',
    factors:
      'patronage|royal patronage; wartime research|war; correspondence networks|letters; museum collecting|collecting; the electrification of cities|electric light; emigration; popular lectures; battalions of volunteers',
    responses:
      'scientific reputation|reputation; the spread of ideas|diffusion of knowledge; collecting practices; professional careers|careers; public memory; disputes over priority; observation practice',
    methods:
      'archival research|archives; prosopography; network analysis of letters|letter networks; close reading; oral history; object biographies; bibliometrics|citation analysis',
    settings:
      'academies; port cities|harbour towns; provincial museums; universities; observatories; colonial gardens; printing houses',
    details:
      'lamplit rooms; battle for funding; batons of office; bat specimens in spirit jars; herbarium sheets; lampooned professors; marginal notes; letters signed Alan; ink and lampblack; obituary notices; batches of letters; bath waters described',
    keywords: 'history of science; letters; natural history; biography; instruments; collections; Alan',
    sources: 'Provincial Histories; Letters and Lenses; Notes on Naturalists; Archive Quarterly',
    heronsmere: 'History of science; Museum collections; Naturalists',
    gantry: 'History of technology; Scientific instruments; Museum lighting',
  }),
  createTheme(
    'bird-migration',
    1100,
    [1, 0.08, 0.75, 0.3, 0.25, 0.8],
    {
      subjects:
        'migratory songbirds|songbirds; waders|shorebirds; storks and raptors|soaring birds; geese|wild geese; swifts and swallows; nocturnal migrants|night migrants; cranes; terns; warblers',
      factors:
        'weather|wind conditions; climate change|warming springs; illuminated towers|lit buildings|lights on towers; habitat loss; hunting; magnetic cues|magnetic compass; wetland drainage; offshore wind farms; skyglow',
      responses:
        'arrival dates|spring arrival; stopover duration|stopover; flight altitude|flight height; collision mortality|collisions; fuel load; route choice|migration routes; breeding success; population trends',
      methods:
        'ringing data|ring recoveries; geolocators|light-level geolocators; weather radar|radar; satellite tags|tracking; nocturnal flight call recording|flight calls; count data|counts; stable isotopes',
      settings:
        'coastal headlands; mudflats|tidal flats; mountain passes; offshore platforms; oases; river deltas; bird observatories; lighthouses',
      details:
        'moult; lighthouse lamps; airspace; broad-front passage; juvenile cohorts; fat scores; night flight calls; vagrancy; batch ringing; lamp-lit lighthouses; roost counts; geolocation by light',
      keywords: 'migration; birds; stopover; radar; phenology; flight calls; tracking; collision',
      sources: 'Feather and Field; Passage; Island Conservation Reports; Letters on Beasts at Dusk',
      heronsmere:
        'Aves; Migration; Stopover; Climate change; Orientation; Population decline; Wind farms; Wetlands; Light pollution',
      gantry: 'Wind turbines; Radar; Environmental impact; Obtrusive light',
    },
    { hasSpecies: true },
  ),
  createTheme('schools-and-work', 1500, [0.2, 0.4, 0.75, 0.5, 0.6, 0.95], {
    subjects:
      'teachers|school teachers; pupils|schoolchildren; office workers|office staff; nurses; trainees|apprentices; university libraries|libraries; remote workers; managers; early-career researchers',
    factors:
      'classroom lighting|lighting quality; school leadership|leadership; workload; digital tools|learning platforms; feedback; open-plan offices|office layout; mentoring; curriculum reform; noise; daylight',
    responses:
      'attainment|test scores; job satisfaction; concentration|attention; staff turnover|turnover; burnout; information literacy|search skills; collaboration|teamwork; absence; motivation',
    methods:
      'questionnaires|surveys; classroom observation|observations; interviews; structural equation models; test batteries|a test battery; randomised trials; longitudinal data|panel data; focus groups',
    settings:
      'primary schools; secondary schools; vocational colleges; hospitals; call centres; university campuses; co-working spaces; public libraries',
    details:
      'reading lists; peer groups led by tutors; batches of essays; lamp desks; timetable changes; parents; the debate on homework; open educational resources; search strategies; staff rooms; baton passing between tutors',
    keywords:
      'education; lighting; leadership; well-being; learning; workplace; teachers; information literacy',
    sources: 'School and Study; Journal of Quiet Offices; Learning Papers; Library Lines',
    heronsmere: 'Human behaviour; Children; Learning; Stress; Adolescents; Cognition',
    gantry: 'Lighting quality; Offices; Ergonomics; School buildings; Noise control',
  }),
];
