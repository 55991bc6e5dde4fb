/** Letters that no made-up name may contain, in several languages: vulgar, insulting, or the name of an evil. */
export const UNFIT_STEMS: readonly string[] = (
  'fuck fick fock fuk cunt kunt cock kock dick prick pric slut whor hoer hore nutt pimm muschi ' +
  'fotz arsch arse anus anal penis vagin twat wank shit skit kack cack crap poop piss puss tits titt tity ' +
  'porn sexu suck cum kum lust clit scrot semen sperm boob bastar bitch fag gayb dyke homo nigg nig negr ' +
  'coon gook paki wop dago spic kike chink retard mong nazi hitl rape incest pedo turd fart merd encul bais ' +
  'couil chier salop conn cond puta mierd coj polla cabr maric joder foll culo cazz figa fica minch stronz troi ' +
  'kurw chuj pizd suka dupa jeba fitt kuk rova fiss lul kont tiet flik hui perk vitt satan damn helle clul'
).split(' ');

/** Real places and universities that syllables make by chance. */
export const REAL_PLACES: ReadonlySet<string> = new Set(
  (
    'Backford Baldorf Banford Barham Beckham Beckton Bedford Bedham Berville Binham Biville Bonby Bondham ' +
    'Bradford Brailby Bramford Bramham Branham Branton Brenton Brockford Brockham Brockton Bruton Buckden ' +
    'Buckham Buckton Buford Bufton Burnham Burton Canford Canton Carby Carham Carholm Carlton Carnforth ' +
    'Castleford Cawick Chatham Chelford Chesham Chilham Chilton Clayton Cleton Clinton Colina Colton Compton ' +
    'Coulton Crawford Crickham Dalby Dalham Dalmere Dalton Danby Denby Denham Denton Denwick Derby Dickton ' +
    'Dilham Dilton Dorndorf Drayton Dunham Dunton Durham Duton Duxford Fakenham Farnham Felton Fenton Fenwick ' +
    'Ferndale Finham Flixton Fulford Fulham Fulton Galton Gilstead Girton Grantham Grasmere Greby Grimsby ' +
    'Griston Halton Ham Hamburg Hamburgh Hamby Hampton Hanford Hanover Harford Harton Hatton Hendon Henham ' +
    'Hilton Holby Holford Holham Holton Hornby Hornton Horsham Horton Huntingdon Kelham Kelton Kendal Kendale ' +
    'Kenton Kilby Kilford Kirkby Lackford Lacombe Lambton Lanford Langford Lanham Lanton Larnaro Lendorf Lincoln ' +
    'Linton Liston Lolham Lulham Lumby Lundby Lusby Luton Maltby Malton Manford Manton Marham Marton Measham ' +
    'Melbury Melton Mendham Merton Milford Milton Molby Moreham Morton Multon Nafferton Naseby Neasham Nelton ' +
    'Neston Newton Norby Norton Norwick Nuneham Packwood Parham Parwick Pendford Penham Penton Pickford ' +
    'Pickham Preston Ranby Ranham Ranton Rasdale Reddale Risby Rockford Rockham Roundham Ruskin Rusholm Saham ' +
    'Salford Salton Salwick Sandby Sandford Sandham Sandvik Saxby Seaford Seaham Seaton Seaville Selby Selham ' +
    'Seton Shelby Shelford Shelton Shenton Shilton Shipham Skelby Skelton Skenby Somerton Sandton Stainby ' +
    'Stainton Stanford Stanton Stanwick Stenton Stockham Stockton Stonham Sutton Tarporley Telford Telham ' +
    'Thesford Thetford Thorndale Thornby Thornham Thornton Thorton Tilton Tramby Trenton Truro Tunford Verton ' +
    'Walby Walcombe Waldorf Walford Walham Walton Walwick Warby Warham Warnford Washford Watford Welby ' +
    'Welcombe Weldale Welford Welham Welton Wendling Wenham Weston Whitby Wickham Wilby Wilford Wilton Windham ' +
    'Winford Winham Winton Witham Worcester Worton'
  ).split(' '),
);

/** Real family names that syllables make by chance. */
export const REAL_SURNAMES: ReadonlySet<string> = new Set(
  (
    'Bader Bailey Baker Banner Barley Barman Barner Basson Bauer Beaman Beasley Beckley Beckman Beckmann Becker ' +
    'Bender Benson Berman Bermann Berner Bernard Berson Besson Bickley Bieber Bilson Binet Bockman Bollard ' +
    'Bolley Bolter Bolton Bonard Bonner Bonnet Borman Bormann Borner Brackley Bradley Bramley Bramson Brandley ' +
    'Branson Brasher Brassard Brenner Brickley Brickman Briley Brinley Brockman Brockmann Bromley Broman Bruner ' +
    'Brunson Bruson Buckley Buckner Bulley Bunner Burman Burner Burnet Burson Calman Canard Cander Canson Carder ' +
    'Carley Carman Carner Carson Casley Cason Caster Castell Chamley Chandler Chapman Chaser Chesley Chester ' +
    'Chilman Clamer Clarner Clason Claudet Clemson Clinard Coleman Colley Collard Colman Colson Conley Conner ' +
    'Corley Corman Corner Cornet Cornwell Cosley Cosman Cranley Crosley Culley Curley Curson Daley Dalley Damer ' +
    'Dander Daniels Danley Danner Danson Dasher Dearman Decker Deeley Delman Demaret Denman Denson Derman Dickens ' +
    'Dickey Dickman Dickson Dinsley Dollard Dolman Donner Donley Dorman Dorner Dorsey Dowell Draper Drescher ' +
    'Drummer Drury Dulley Dundas Durner Farley Farman Farmer Farner Fasson Feldman Felder Felman Fender Fenley ' +
    'Fenner Fenwell Ferman Ferner Fernley Filson Finley Finnet Firman Fisher Flanders Fleischer Flickman Folley ' +
    'Folson Forman Forner Foreman Forson Foulard Fournet Frasier Fuller Fulson Galley Ganley Gander Gardner ' +
    'Garner Garson Gasman Gaulard Geller Genet Gerard Gerber Gerson Gervais Gilley Gilson Ginley Glasser Goman ' +
    'Gomez Gonder Gorman Gormley Goulard Goulet Gourley Graley Granley Granson Grander Grasman Grimley Grimson ' +
    'Groleau Grossman Grossmann Groulet Gruner Gulley Gunman Gunner Gurley Gurney Hackley Hackman Hackmann ' +
    'Haley Hallard Halley Halman Halter Hamer Hamley Hamner Hander Handley Hanley Hanner Hanson Harman Harmann ' +
    'Harner Hartley Hasley Hasman Hasson Haswell Headley Helman Helmer Helson Hender Henley Henner Henson ' +
    'Herman Hermann Herner Herson Hester Hickley Hickman Hickson Hilson Hindley Hinman Hinson Hockley Hofman ' +
    'Holder Holley Holman Hollman Holson Homer Honley Horley Horman Horner Hornet Hosley Hosman Howell Huckson ' +
    'Hulley Hulson Humer Hurley Hurson Jackley Jackman Jackson Jamison Jansen Janson Jarman Jarner Jason Jenner ' +
    'Jenson Jesson Johnson Jolley Jonson Jordan Kander Karman Karmann Kasner Kasper Kasson Kaufman Keeley Keller ' +
    'Kellet Kelley Kelman Kelson Kemner Kenley Kennard Kenner Kennet Kenson Kerman Kerner Kersley Kilmer Kilner ' +
    'Kimley Kinley Kinman Kinson Kirner Kolman Kolmann Komer Korman Korner Kosman Kramer Krasner Kremer Kresley ' +
    'Kroner Kruger Kruman Kulman Kurner Lackman Laird Lairson Lamer Lander Landley Landman Landmann Langley ' +
    'Lander Lanson Larner Larson Lasley Lassman Lawson Leander Leaner Learman Lehman Leman Lender Lennard Lenner ' +
    'Leonard Lerman Lerner Lesley Leslie Lessard Lester Leveson Lickley Linley Linnet Lockley Lockman Lockwell ' +
    'Loman Lomer Londer Lorman Loulet Lucas Lunder Lurie Mackley Mailer Mailley Malley Mallard Mander Mandel ' +
    'Manley Mannard Manner Manson Marley Marman Marner Marson Masley Mason Masson Maswell Maxwell Mealey Meaney ' +
    'Melley Mellard Melman Melson Mender Mendez Menard Menner Mercer Merson Mickley Miller Milley Milner Milson ' +
    'Minard Minder Minson Mockler Molley Mollard Molson Monard Monet Monson Morley Mormann Morner Morson Mosley ' +
    'Mosman Moulard Mounet Mulard Mulley Muller Mundell Murley Naismith Naismann Naman Nander Neaman Neeley ' +
    'Nelson Neman Nesley Nesman Neumann Newell Nickley Nickson Nilson Nolan Nolley Norman Normann Norner Norwell ' +
    'Packard Packer Packman Painter Palley Palmer Pander Parley Parmer Parnell Parson Pasley Paulet Paulson ' +
    'Pearman Pearson Peckman Pender Penner Penley Perley Perlman Person Pickard Pickley Pickman Pilley Pinard ' +
    'Pinder Pinson Poirson Pollard Polley Polman Ponder Porner Potter Poulet Poulson Prander Presley Pressman ' +
    'Priestley Prindle Prosser Proulard Pulley Pullman Pundson Purnell Rackley Rackham Rainer Rainey Ralley ' +
    'Ramer Ramez Ramley Rander Randell Ransley Ranson Rasman Rasson Rawson Reader Redman Reiman Remer Renard ' +
    'Render Renner Reston Rickard Ricker Rickman Rigby Riley Rinner Robson Rockley Rockwell Roley Rolley Romer ' +
    'Ronson Roscoe Rosner Rosman Rossman Rourke Roulet Rudman Rumley Runner Rusher Salley Sallard Salman Salmann ' +
    'Salter Sander Sanders Sandell Sandley Sanner Sanson Sarner Sasman Sasson Seaman Seaver Seckler Seeley Seiler ' +
    'Selley Selman Senner Sermon Shailer Shanley Shanner Sharman Shearer Shearman Shelley Shelman Shepard Sherman ' +
    'Shirley Shockley Sholl Shoman Shuler Shulman Shuman Shumer Sickler Silley Silman Simard Simley Simson Sinley ' +
    'Skelley Skinner Sockwell Solman Somer Sorley Sornson Soulard Stackley Stailey Stalley Stalker Staley Stander ' +
    'Standley Stanley Stanwell Starley Starner Stasson Steinman Stelman Stelter Stender Stenson Sternley Stickley ' +
    'Stickman Stimson Stinson Stockard Stockley Stockman Stoker Stolley Stoltz Stomer Stoner Stonley Suckley ' +
    'Sulley Summer Sundell Surley Tackley Talley Tallard Talman Tander Tanley Tanner Tarner Tasker Tasley Tasman ' +
    'Taylor Teal Tealey Telley Teller Temer Tender Tenley Tenner Terman Terner Terrell Tester Thacker Thackley ' +
    'Thalman Thaler Theman Thomson Thorley Thorner Thornley Thurley Thurman Thurson Tickner Tilley Tillman Tilman ' +
    'Tilson Timer Tinley Tiswell Tockley Tolley Tolman Tomer Tomley Tomson Tondeau Torley Torner Tormann Tournet ' +
    'Traley Trammell Trasker Treman Tressler Trimley Troman Trotter Tucker Tuckley Tuckman Tulley Tumer Turley ' +
    'Turman Turner Vailey Valley Vallard Valdez Vander Vanner Varley Varner Vasley Vasquez Vasson Velder Velley ' +
    'Vender Vernard Vernet Vernon Verner Vesley Viner Vinson Virson Vogel Voley Volker Vorley Vorman Vosman ' +
    'Wackman Wagner Wainman Walden Walker Wallard Walley Walman Walser Walter Waltman Waltmann Walton Wanamaker ' +
    'Wander Wandley Wanner Warley Warman Warner Warnet Warson Wasley Wasserman Wasson Watson Weaver Weekley ' +
    'Welker Weller Welley Welman Welson Weltman Wender Wendell Wender Wenner Werley Werman Werner Wesley Wesson ' +
    'Wesman Wester Whaley Wickley Wickman Wiley Wilder Willard Willman Wilson Winder Windley Winner Winsley ' +
    'Winson Witman Woodley Wooley Worley Worman Worner Worrell Wulman Wunder Zander Zeller Zelman Zeman Zenner ' +
    'Zimmer Zimmerman Zinner Zolner Zunder'
  ).split(' '),
);

/** Real genera and second parts of species names that syllables make by chance. */
export const REAL_SPECIES: ReadonlySet<string> = new Set(
  (
    'Bromus Cornus Crocus Galea Gallus Ficus Juncus Larus Lemna Lepus Linum Malus Morus Mus Parus Perca Pica Pinus ' +
    'Pyrus Ribes Rumex Sorex Sturnus Tarsius Tilia Triton Turdus Vespa Viola Vulpes Zea albus bicolor canis carnis ' +
    'cornutus domesticus fuscus gratus major minor niger paella sella solaris vanellus vulgaris barnis'
  )
    .toLowerCase()
    .split(' '),
);

const STEMS = new RegExp(UNFIT_STEMS.join('|'), 'i');

/** Whether a made-up name may be shown: it holds no unfit letters and is no real name. */
export function isFitName(name: string): boolean {
  return (
    !STEMS.test(name) &&
    !REAL_PLACES.has(name) &&
    !REAL_SURNAMES.has(name) &&
    !REAL_SPECIES.has(name.toLowerCase())
  );
}
