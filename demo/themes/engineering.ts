import { createTheme } from './theme';

export const ENGINEERING = [
  createTheme('batteries', 3300, [0.03, 1, 0.8, 0.35, 0.25, 0.9], {
    subjects:
      'lithium-ion batteries|lithium batteries|Li-ion cells; battery packs|battery modules; solid-state batteries|solid electrolytes; lead-acid batteries|lead batteries; sodium-ion batteries; battery electrodes|electrodes|cathodes; redox flow batteries|flow batteries; battery management systems|BMS; second-life batteries|retired batteries',
    factors:
      'fast charging|charging rate; temperature|low temperature|thermal load; electrolyte additives|additives; depth of discharge; separator coating|separators; mechanical abuse|nail penetration; state of charge; binder content; recycling route|hydrometallurgical recycling; lead content',
    responses:
      'capacity fade|capacity loss|cycle life; thermal runaway; impedance|internal resistance; energy density|specific energy; state of health|SOH; dendrite growth|lithium plating; recovery yield|metal recovery; cost per cycle; gas evolution',
    methods:
      'impedance spectroscopy|electrochemical impedance spectroscopy; accelerated ageing|cycling tests; equivalent circuit models; x-ray tomography; neural networks|machine learning; calorimetry|accelerating rate calorimetry; density functional theory; Kalman filters',
    settings:
      'electric vehicles|battery electric vehicles; grid storage|stationary storage; drones|unmanned aircraft; portable devices; submarines; recycling plants; dry rooms; solar street lights',
    details:
      'slurry batches; batch mixing; tab welding; coulombic efficiency; nickel-rich oxides; graphite anodes; formation protocols; pouch swelling; battery passports; leachate baths; plating baths; lead paste; the battery box',
    keywords:
      'lithium-ion battery; state of charge; thermal runaway; electrolyte; electric vehicle; recycling; ageing; cathode; impedance',
    sources:
      'Journal of Cell Chemistry; Electrode Letters; Vehicle Power Systems; Storage Engineering Review',
    heronsmere: 'Energy storage; Lead',
    gantry:
      'Lithium batteries; Electrodes; Energy storage; Battery management; Electric vehicles; Recycling; Thermal management; Lead acid batteries; Electrolytes',
  }),
  createTheme('road-safety', 2200, [0.12, 0.8, 0.8, 0.4, 0.4, 0.9], {
    subjects:
      'drivers|older drivers; pedestrians|pedestrian casualties; cyclists|bicycle riders; motorcyclists; road users|vulnerable road users; night-time crashes|crashes after dark; intersections|junctions; heavy goods vehicles|trucks; novice drivers',
    factors:
      'road lighting|street lighting|street lights; speed limits|lower speed limits; alcohol|drink driving; mobile phone use|distraction; road markings|retroreflective markings; headlamp glare|glare; fatigue|drowsiness; weather|rain and fog; part-night lighting|switching off street lights',
    responses:
      'crash frequency|accident rates|collisions; injury severity|serious injuries; reaction time|braking response; crossing behaviour|road crossing; hazard perception|hazard detection; speed choice|driving behaviour; fear of crime|perceived safety; fatality risk',
    methods:
      'police accident records|crash records; driving simulator experiments|driving simulators; before-after studies|empirical Bayes methods; negative binomial models; naturalistic driving data; eye tracking; meta-analysis|systematic review',
    settings:
      'rural roads|country roads; urban streets|residential streets; motorways|freeways; zebra crossings|pedestrian crossings; work zones; school zones; roundabouts; tunnels',
    details:
      'safety barriers; skid resistance; the ratio of dark to daylight crashes; lamp columns; crash modification factors; seat belts; battered vehicles; traffic calming; reflective clothing; batons used by traffic police; deer collisions',
    keywords:
      'road safety; street lighting; crashes; pedestrians; night; driving behaviour; speed; injury; visibility',
    sources:
      'Safe Roads; Journal of Transport and Nature; Accident Studies Quarterly; Municipal Works Review',
    heronsmere: 'Roads; Injuries; Human behaviour; Visual perception; Fatigue',
    gantry:
      'Road safety; Street lighting; Traffic accidents; Visibility; Speed control; Glare; Pedestrians; Driving simulators; Road markings',
  }),
  createTheme('batch-processes', 1900, [0.25, 0.9, 0.7, 0.3, 0.2, 0.85], {
    subjects:
      'batch reactors|batch processes; fed-batch cultures|fermentations; batch adsorption|adsorbents; crystallisation batches|crystals; wastewater batches|sequencing batch reactors; dye baths|textile dyeing; pharmaceutical tablets; bioethanol fermentation; electroplating baths|plating baths',
    factors:
      'stirring speed|agitation; residence time; pH control|pH; temperature profile|cooling rate; feeding strategy|feed rate; batch scheduling|production planning; bath composition; catalyst loading; bath temperature',
    responses:
      'product yield|yield; batch-to-batch variability|reproducibility; removal efficiency|metal removal; crystal size distribution; energy demand|energy use; makespan; enzyme activity; colour fastness',
    methods:
      'response surface methodology|factorial designs; process analytical technology; model predictive control; mixed-integer programming; isotherm models|kinetic models; spectroscopy|infrared spectroscopy; pilot plant trials',
    settings:
      'pilot plants; food factories; pharmaceutical plants; laboratory vessels|bench-scale vessels; municipal treatment works; textile mills; breweries',
    details:
      'seed crystals; lead ions; lead-free solder; batch records; bath ratio; cleaning in place; the batter mixing line; foam control; scale-up; spent baths; batchwise addition; recipe control; UV lamps for disinfection',
    keywords:
      'batch; optimisation; adsorption; fermentation; scheduling; crystallisation; wastewater; kinetics',
    sources: 'Process Notes; Journal of Vessel Engineering; Water Treatment Letters; Chemical Plant Review',
    heronsmere: 'Fermentation; Wastewater; Adsorption; Enzymes; Lead',
    gantry:
      'Batch processing; Process control; Adsorption; Crystallisation; Scheduling; Wastewater treatment; Electroplating; Fermentation',
  }),
  createTheme('sound-and-vision-machines', 1600, [0.2, 0.9, 0.8, 0.35, 0.25, 0.9], {
    subjects:
      'acoustic classifiers|call classifiers; convolutional networks|neural networks|deep networks; image segmentation|segmentation models; drone imagery|aerial images; sonar arrays|sonar systems; sensor networks|wireless sensors; traffic cameras|video detection; microphone arrays; bat-inspired algorithms|bat algorithm optimisers',
    factors:
      'training set size|training data; background noise|noise; batch size|mini-batch size; batch normalisation; label errors|annotation quality; data augmentation; low light|poor illumination; transfer learning; sampling rate',
    responses:
      'classification accuracy|accuracy; detection range|range; false positive rate|false alarms; processing time|latency; energy use of nodes|battery life; localisation error; recall and precision|precision and recall; robustness',
    methods:
      'cross-validation; benchmark data sets|benchmarks; ablation studies; simulation; field recordings|field tests; spectrogram features|spectrograms; particle swarm optimisation|metaheuristics',
    settings:
      'edge devices|embedded boards; forests and fields; harbours; urban roads|city streets; cloud services; test tracks; museum collections',
    details:
      'ultrasonic microphones; echolocation pulses; false calls; bat call libraries; graphics processors; lamp glare in images; night-time images; feature maps; open data; learning rate schedules; battery-powered nodes',
    keywords:
      'deep learning; acoustic monitoring; classification; sensors; bat algorithm; image analysis; sonar; optimisation',
    sources: 'Signals and Machines; Journal of Embedded Listening; Computing in the Field; Image Letters',
    heronsmere: 'Acoustics; Echolocation; Image analysis; Computer models; Remote sensing',
    gantry:
      'Neural networks; Ultrasonics; Image processing; Sensors; Optimisation; Acoustic signal processing; Sonar',
  }),
  createTheme('urban-planning', 1700, [0.15, 0.7, 0.75, 0.45, 0.7, 0.95], {
    subjects:
      'urban districts|city districts; green infrastructure|urban green space; public squares|plazas; night-time economies|the night-time economy; residents|city residents; smart cities|smart city projects; social housing; night buses|night transport; waterfronts',
    factors:
      'lighting masterplans|urban lighting plans; densification|compact city policies; participation|citizen participation; heat waves|urban heat; land value|land prices; zoning; tourism; gentrification; street lights switched off',
    responses:
      'walkability|walking; perceived safety|fear after dark; quality of life|well-being; energy demand|energy use; social inclusion; rents|housing cost; cooling effect; governance outcomes',
    methods:
      'interviews|semi-structured interviews; household surveys|surveys; space syntax; geographic information systems|GIS; case studies|comparative case studies; participatory mapping|workshops; document analysis',
    settings:
      'medium-sized cities; port cities|harbour cities; historic centres|old towns; informal settlements; new towns; suburbs|suburban belts; riverside parks',
    details:
      'lamp post advertising; park benches; planning consent; urban acupuncture; mayors and councils; dark parks; biodiversity offsets; battle over parking; transit stops; civic groups; ecological corridors; hedges in gardens',
    keywords:
      'urban planning; lighting; public space; green infrastructure; smart city; safety; participation; night',
    sources: 'City and Night; Municipal Works Review; Journal of Street Life; Planning Papers',
    heronsmere: 'Urban areas; Human behaviour; Green space; Night lighting',
    gantry: 'Urban planning; Street lighting; Land use; Smart cities; Energy saving',
  }),
];
