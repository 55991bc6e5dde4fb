import { createTheme } from './theme';

export const LIGHTING = [
  createTheme('street-lighting', 2900, [0.05, 1, 0.7, 0.4, 0.45, 0.9], {
    subjects:
      'street lighting|road lighting|public lighting|roadway lighting; luminaires|street luminaires|lanterns; lighting columns|lamp posts|lighting poles; LED street lights|LED luminaires|LED streetlights; lighting controls|adaptive lighting|smart lighting; tunnel lighting; pedestrian lighting; sodium lamps|high-pressure sodium lamps|HPS lamps; municipal lighting|city lighting',
    factors:
      'dimming schedules|dimming|adaptive dimming; luminaire spacing|pole spacing; road surface reflection|pavement reflectance; correlated colour temperature|colour temperature; optic design|lens design; surge voltage|power quality; lumen depreciation|lamp ageing; retrofit|replacement of lamps; mesopic photometry; glare|disability glare',
    responses:
      'luminance uniformity|road luminance; energy consumption|energy use|electricity savings; visibility|target visibility|small target visibility; maintenance cost|life-cycle cost; obtrusive light|light spill|upward light; detection distance; illuminance|horizontal illuminance; lamp failure rates|failure rates; user satisfaction|perceived safety',
    methods:
      'photometric measurements|goniophotometry; lighting simulation|ray tracing; field trials|pilot installations; life-cycle assessment; imaging luminance cameras|luminance imaging; questionnaires|resident surveys; wireless sensor networks|sensor nodes; optimisation algorithms|genetic algorithms',
    settings:
      'residential streets; arterial roads|main roads; roundabouts|intersections; tunnels; cycle paths|footpaths; rural roads; car parks; town centres',
    details:
      'power factor; driver circuits; photocells; luminaire classes; batch testing of drivers; the lampholder; discharge lamps; lamp survival; ballast losses; battery back-up; spill light; glare rating; lighting classes; procurement rules; sky-friendly optics; ecological zones along hedges',
    keywords:
      'street lighting; LED; luminaires; energy efficiency; dimming; luminance; road lighting; smart city; glare; photometry',
    sources:
      'The Lamp Engineer; Proceedings of the Luminaire Forum; Journal of Road Illumination; Municipal Works Review; Applied Photometry',
    heronsmere: 'Night lighting; Energy use',
    gantry:
      'Street lighting; Luminaires; Light emitting diodes; Dimming; Energy saving; Photometry; Glare; Lighting control; Discharge lamps; Road surfaces; Obtrusive light',
  }),
  createTheme('led-products', 2600, [0.03, 1, 0.7, 0.4, 0.25, 0.9], {
    subjects:
      'light-emitting diodes|LEDs|LED chips; phosphor-converted LEDs|white LEDs; LED drivers|driver circuits; micro-LED displays|displays; organic light-emitting diodes|OLEDs; retrofit LED lamps|LED bulbs; ultraviolet LEDs|UV LEDs; LED modules|LED arrays; quantum-dot emitters',
    factors:
      'junction temperature|thermal load; drive current|current density; phosphor composition|phosphor blends; encapsulant ageing|silicone yellowing; dislocation density; pulse-width modulation|PWM dimming; heat sink geometry|heat sinks; humidity stress; colour mixing; batch variation',
    responses:
      'luminous efficacy|efficacy; colour rendering|colour shift; efficiency droop|droop; lumen maintenance|lifetime; flicker|flicker percent; thermal resistance; electroluminescence; failure modes|catastrophic failure; total harmonic distortion',
    methods:
      'accelerated ageing tests|stress tests; integrating sphere measurements|spectroradiometry; finite element simulation|thermal simulation; electron microscopy; metal-organic vapour phase epitaxy|epitaxial growth; equivalent circuit models; optical modelling',
    settings:
      'laboratory chambers|climatic chambers; production lines; automotive headlamps|vehicle headlamps; indoor luminaires; backlight units; greenhouses; test benches',
    details:
      'gallium nitride; sapphire substrates; solder joints; lampshade optics; batch-to-batch scatter; light extraction; wafer bonding; chip-on-board packages; blue leakage; the lamp base; thermal paste; driver capacitors',
    keywords:
      'LED; phosphor; efficacy; thermal management; driver; colour rendering; reliability; flicker; OLED; gallium nitride',
    sources:
      'Solid State Light Letters; Proceedings of the Luminaire Forum; Applied Photometry; Semiconductor Notes; The Lamp Engineer',
    heronsmere: 'Light sources',
    gantry:
      'Light emitting diodes; Phosphors; Thermal management; Reliability; Colour rendering; Driver circuits; Semiconductors; Flicker; Heat sinks',
  }),
  createTheme('sky-brightness', 1300, [0.35, 0.6, 0.85, 0.4, 0.3, 0.9], {
    subjects:
      'night sky brightness|sky brightness|skyglow; dark-sky reserves|dark sky parks; satellite night lights|night-time radiance; astronomical observatories|observatories; handheld sky meters|sky meters; city lights|urban light emission; zodiacal light|airglow; satellite trails',
    factors:
      'light pollution|artificial skyglow; cloud cover|clouds; aerosol load|aerosols; LED conversion|conversion to LEDs; shielded luminaires|full cut-off lights; lighting regulations|lighting ordinances; moonlight; snow cover; satellite constellations',
    responses:
      'zenith brightness|zenithal luminance; limiting magnitude|star counts; spectral power|spectral composition; temporal trends|long-term trends; light emission per person; horizon brightness; visibility of the galaxy',
    methods:
      'all-sky photometry|all-sky cameras; satellite radiometers|satellite radiance; radiative transfer models; citizen science star counts|citizen observations; handheld photometers|sky quality meters; spectroscopy; drone flights',
    settings:
      'mountain observatories; national parks|protected areas; capital cities; coastal towns; islands; deserts; suburban gardens; rural villages',
    details:
      'the magnitude scale; lamps with blue content; unshielded lamps; mid-latitude winters; switch-off campaigns; calibration drift; lampless villages; upward flux; Fresnel reflection; street lamp inventories',
    keywords:
      'light pollution; night sky brightness; skyglow; ALAN; remote sensing; photometry; dark sky; satellites',
    sources: 'Night Sky Review; Applied Photometry; Journal of Remote Nights; Astronomical Gazette',
    heronsmere: 'Light pollution; Night lighting; Remote sensing; Protected areas',
    gantry:
      'Sky glow; Obtrusive light; Photometry; Remote sensing; Light emitting diodes; Radiative transfer',
  }),
  createTheme('plant-lamps', 1300, [0.75, 0.6, 0.7, 0.3, 0.25, 0.85], {
    subjects:
      'lettuce|leaf lettuce; tomato seedlings|tomatoes; basil and herbs|culinary herbs; strawberries; cucumber transplants; chrysanthemums|cut flowers; microgreens; cannabis plants; algae cultures|microalgae',
    factors:
      'red and blue LEDs|LED lighting|light-emitting diodes; supplemental lighting|greenhouse lamps; photoperiod|day length; far-red light; high-pressure sodium lamps|sodium lamps; light intensity|photon flux density; green light; end-of-day light; ultraviolet light|UV light',
    responses:
      'fresh weight|biomass; flowering time|flowering; photosynthetic rate|photosynthesis; anthocyanin content|anthocyanins; stem elongation|plant height; nitrate content; fruit yield|yield; leaf area; antioxidant activity',
    methods:
      'growth chamber experiments|growth chambers; gas exchange measurements; chlorophyll fluorescence; randomised block design|randomised blocks; spectral measurements; gene expression analysis; sensory panels',
    settings:
      'plant factories|vertical farms; greenhouses|glasshouses; growth rooms; hydroponic units|hydroponics; polytunnels; nurseries',
    details:
      'nutrient solution; lamp placement; canopy temperature; inter-lighting; electricity price; seedling batches; light-use efficiency; shelf life; the phytochrome system; bath of nutrient film; root zone cooling',
    keywords:
      'LED; greenhouse; light quality; lettuce; photosynthesis; photoperiod; far-red; growth; supplemental lighting',
    sources: 'Greenhouse Science; Journal of Plant Illumination; Crop Notes; Field and Farm',
    heronsmere:
      'Photosynthesis; Plant growth; Photoperiodism; Light sources; Horticulture; Flowering; Solanaceae; Anthocyanins',
    gantry: 'Light emitting diodes; Greenhouses; Lighting control; Energy saving; Discharge lamps',
  }),
  createTheme('stage-and-lamps', 1000, [0.02, 0.25, 0.5, 0.5, 1, 0.9], {
    subjects:
      'stage lighting|theatre lighting; oil lamps|lamplight; gas lighting|gaslight; film lighting|cinema lamps; lampoons|satirical prints; lamplighters; pottery lamps|terracotta lamps; museum lighting|gallery lighting; lamp design|lampshades',
    factors:
      'electrification; censorship|licensing laws; colour filters|gels; conservation limits on light; patronage; trade routes; reform movements; LED conversion; domestic modernity',
    responses:
      'audience perception|audience response; fading of pigments|colour fading; urban night life; satire of public figures|lampooned politicians; workshop production; scenography|scene design; visual comfort; street safety in the past',
    methods:
      'archival research|archive sources; close reading; photometric reconstruction; oral history interviews|oral history; microfading tests; residue analysis; practice-based research',
    settings:
      'playhouses|court theatres; museums|galleries; port cities|harbour towns; provincial newspapers; monasteries; workshops; colonial capitals',
    details:
      'wick trimming; lampblack pigment; the baton of the conductor; battened scenery; lampworking of glass beads; lampshade makers; battle scenes; gas mantles; batik screens; limelight; shadow theatre; battlements on painted cloths; watchmen',
    keywords: 'stage lighting; history; lamps; theatre; museum; satire; material culture; gaslight',
    sources: 'Journal of Stage and Shadow; Lamp and Lantern; Museum Practice Quarterly; Provincial Histories',
    heronsmere: 'Light sources',
    gantry: 'Stage lighting; Museum lighting; Light emitting diodes; Colour fading',
  }),
];
