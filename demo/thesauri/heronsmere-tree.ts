/** Heronsmere's tree of headings: two blanks a level, `= entry terms`, `@ year` since when it is given, `~ related`. */
export const HERONSMERE_TREE = `
Organisms
  Animals = Fauna; Animalia
    Vertebrates
      Mammalia = Mammals
        Chiroptera = Bats; Flying mammals ~ Echolocation
          Pipistrellus = Pipistrelles; Pipistrelle bats
          Myotis = Mouse-eared bats
          Rhinolophus = Horseshoe bats
          Pteropodidae = Fruit bats; Flying foxes
          Plecotus = Long-eared bats
          Nyctalus = Noctules
        Swine = Pigs
        Cattle = Cows
        Rodentia = Rodents; Mice
        Carnivora = Carnivores
      Aves = Birds
        Poultry = Hens; Broilers
        Anseriformes = Waterfowl; Geese
        Passeriformes = Songbirds
        Strigiformes = Owls
      Amphibia = Amphibians; Toads
      Testudines = Turtles
      Freshwater fish
      Marine fish
      Petromyzontiformes = Lampreys
    Insecta = Insects
      Lepidoptera = Moths; Butterflies
      Coleoptera = Beetles
        Lampyridae = Fireflies; Glow-worms
      Apidae = Bees
      Culicidae = Mosquitoes
  Plants
    Solanaceae
    Plant diversity
Behaviour = Behavior
  Animal behaviour = Animal behavior; Ethology
    Foraging behaviour = Foraging; Hunting
    Flight behaviour = Flight; Flight paths @ 2003
    Echolocation = Ultrasound orientation
    Roosting = Roosts
    Orientation
    Migration
      Fish migration
      Stopover @ 1998
    Bird song
    Pheromones
    Home range
  Human behaviour
    Learning
    Cognition
Light = Illumination
  Night lighting = Artificial light at night; ALAN; Street lighting; Lamps at night @ 2004 ~ Light pollution
    Dimming = Part-night lighting; Reduced lighting @ 2012
    Lamp spectra = Colour temperature; Spectral composition @ 2010
  Light pollution = Skyglow; Stray light @ 1999 ~ Night lighting
  Light sources = Lamps; LEDs
  Light traps
Time patterns
  Circadian rhythm = Body clock
  Photoperiodism = Day length
  Torpor
  Hibernation
  Sleep
    Insomnia
  Shift work
Landscape
  Habitat connectivity = Landscape connectivity; Corridors @ 1996
    Wildlife crossings = Green bridges; Underpasses @ 2006
  Farmland
    Hedgerows = Hedges; Field boundaries
    Agri-environment schemes @ 1994
  Roads = Streets; Highways
    Road mortality = Roadkill
  Urban areas = Cities
    Green space
  Wind farms = Wind turbines @ 2005
  Wetlands
  Protected areas
  Rivers
    Barriers = Weirs; Dams
  Estuaries
  Oceans
    Coral reefs
    Benthos
Environment
  Noise
  Climate change
  Soil pollution
  Soil carbon
  Heavy metals
    Lead
  Water quality
  Wastewater
  Lampricides @ 1985
  Sediments
  Minerals
  Isotopes
  Energy use
  Energy storage = Batteries
Populations
  Population decline
  Invasive species
  Pollination
  Animal diseases
  Road safety
Health
  Human health
    Infants
    Children
    Adolescents
    Neoplasms = Cancer
    Depression
    Injuries
    Fatigue
    Stress
    Pain
    Skin
    Infection control
    Rehabilitation
    Disinfection
    Balneotherapy = Spa therapy; Baths
    Hydrotherapy
    Phototherapy = Light therapy
    Dental materials
  Animal welfare
  Melatonin
  Diet
  Feed
Senses
  Visual perception
    Colour vision
    Retina
  Acoustics
Plant functions
  Photosynthesis
  Plant growth
  Flowering
  Anthocyanins
  Horticulture
  Egg production
Methods
  Remote sensing
  Image analysis
  Computer models
  Biomechanics
  Fermentation
  Adsorption
  Enzymes
Society
  Sports
  History of science
  Museum collections
  Naturalists
`;
