/** Gantry's flat headings: `= entry terms`, `@ year` since when it is given. */
export const GANTRY_LIST = `Street lighting = Road lighting; Public lighting
Luminaires = Lanterns
Light emitting diodes = LEDs; LED lamps
Discharge lamps = Sodium lamps; Mercury lamps
Ultraviolet lamps
Dimming = Adaptive lighting @ 2006
Lighting control @ 2001
Lighting quality
Energy saving = Energy efficiency
Photometry = Light measurement
Glare
Visibility
Road surfaces
Obtrusive light = Light pollution; Light trespass @ 2002
Sky glow = Skyglow @ 2002
Environmental impact
Floodlighting
Stage lighting
Museum lighting
Colour fading
Colour rendering
Flicker
Display devices
Phosphors
Semiconductors
Driver circuits
Heat sinks
Thermal management
Reliability
Radiative transfer
Remote sensing
Lithium batteries = Lithium-ion batteries
Lead acid batteries
Battery management
Electrodes
Electrolytes
Energy storage
Electric vehicles
Recycling
Lead
Road safety
Traffic accidents = Crashes
Road construction
Road markings
Speed control
Pedestrians
Driving simulators
Noise control
Bridges
Batch processing
Process control
Adsorption
Crystallisation
Scheduling
Wastewater treatment
Electroplating
Fermentation
Neural networks = Deep learning
Ultrasonics
Image processing
Sensors
Optimisation
Acoustic signal processing
Acoustics
Sonar
Radar
Telemetry
Urban planning
Land use
Smart cities @ 2009
Airborne laser scanning @ 2000
Surveying
Bathymetry
Sediment transport
Dredging
Wind turbines
Greenhouses
Farm buildings
Ventilation
Fish passes
Dams
Water quality
Water pipes
Corrosion
Soil remediation
Swimming pools
Disinfection
Medical devices
Polymers
Ergonomics
Offices
School buildings
Sports equipment
Vibration
Impact testing
Composite materials
Geochemistry
Mineral deposits
History of technology
Scientific instruments`;
