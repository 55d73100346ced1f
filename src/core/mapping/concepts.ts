/**
 * What words in the names of shelves hold, in our kinds (a branch stands for all below it):
 * `words < surely ; likely`. Likely is what a seller would look for there when nothing nearer is offered.
 * From memory, common practice.
 */
const LINES: readonly string[] = [
  'knitwear, knits, woollens, knitted things < jumper cardigan',
  'outerwear, coats and jackets, outer things < coat ; suit waistcoat',
  'bottoms, legwear < trousers jeans shorts skirt',
  'trousers, pants < trousers jeans ; shorts',
  'tops, shirts and tops < shirt tshirt waistcoat ; jumper cardigan dress nightwear swimwear childClothes',
  'shirts, blouses < shirt ; tshirt',
  'dresses < dress',
  'tailoring, formalwear, formal wear, suits and tailoring < suit ; coat waistcoat',
  'accessories, finishing touches, fashion accessories, extras < extras ; wallet',
  'footwear, shoes and boots < footwear',
  'shoes < shoes ; footwear',
  'boots < boots',
  'bags, carried things, things carried, bags and cases, bags and luggage, handbags and luggage < bags',
  'cases, luggage, travel < suitcase ; rucksack bag',
  'handbags, purses < bag ; wallet',
  'leather goods, small leather goods < wallet ; bag belt',
  `
    wear, wearing, worn, fashion, items to wear, attire, dress and adornment < clothes footwear bags
    jewellery
  `,
  'clothing, clothes, apparel, garments < clothes ; footwear bags jewellery',
  `
    menswear, womenswear, ladieswear, mens clothing, womens clothing, ladies fashion, mens fashion < ;
    clothes
  `,
  `
    kidswear, childrenswear, babywear, children clothes, kids clothes, baby clothes, children clothing, baby
    clothing < childClothes
  `,
  'sleepwear, nightwear, loungewear < nightwear',
  'swim, beachwear, swimwear < swimwear',
  'socks and tights, hosiery, legwear and hosiery < hosiery',
  'underwear, lingerie < ; hosiery nightwear',
  'jewellery, jewelry, jewels, adornment < ring necklace bracelet earrings brooch cufflinks ; watch',
  'watches, timepieces < watch ; clock',
  'clocks < clock',
  'rings < ring',
  'necklaces < necklace',
  `
    home, house, indoors, household, homeware, homewares, interiors, home and living, house and home < home
    kitchen lighting textiles furniture
  `,
  `
    decor, decoration, decorative, decorations, home decor, decorative arts, decorative items < vase
    ornament mirror pictureFrame candlestick clock ; cushion basket
  `,
  'parlour, sitting room, living room, lounge < home textiles furniture ; lighting',
  'bedroom < ; quilt blanket cushion mirror lamp',
  'dining < plate cutlery cup ; kitchenware tableLinen',
  'kitchen, kitchen and dining, kitchen and table, kitchenalia, cook and dine < kitchen',
  'cookware, cooking, pots and pans < pan kitchenware ; teapot grinder',
  'bakeware < ; kitchenware pan',
  'kitchenware < kitchen',
  'tableware, dinnerware, crockery < plate cup ; kitchenware teapot cutlery',
  'drinkware, barware, mugs and cups, cups and mugs < cup',
  'glassware < cup vase',
  'glass < vase ; cup ornament',
  'glass and china, china and glass < vase ; ornament plate cup teapot kitchenware candlestick',
  `
    china, ceramics, porcelain, pottery, pottery and porcelain, ceramics and pottery < ; vase ornament plate
    cup teapot kitchenware candlestick
  `,
  'art, fine art, pictures, prints, paintings, wall art, art and prints < pictureFrame',
  'mirrors < mirror',
  'ornaments, figurines, sculpture, statues < ornament',
  'baskets, boxes < basket',
  'candles < ; candlestick',
  'blankets, throws < blanket',
  'linen, linens, blankets and linen, household linen < tableLinen blanket quilt ; textiles',
  'soft furnishings, furnishings, textiles, home textiles, cloth < textiles',
  'bedding, bed linen, bed and bath < quilt ; blanket',
  'rugs, carpets, rugs and carpets, floor coverings < rug',
  'curtains, window dressing < curtain',
  'lamps, lighting, lights, lamps and lighting < lighting',
  'furniture < furniture',
  'seating < chair',
  'storage, storage furniture < cupboard chestOfDrawers ; basket',
  'garden furniture, outdoor furniture < ; chair table',

  'tools, workshop, diy, hardware, woodworking, tools and hardware, shed < tools',
  'hand tools < handPlane saw chisel measuringTool ; tools',
  'garden, gardening, garden tools < gardenTool',
  'power tools < powerTool',
  'tools and instruments < tools instruments ; electronics sewingMachine',
  'scientific instruments, scientific < measuringTool glasses ; camera',
  'musical instruments < instruments',
  'instruments < instruments',
  `
    cameras, photography, photographic, photographica, film cameras, vintage cameras, cameras and
    photography < camera lens
  `,
  'lenses < lens',
  'optics, optical, optical instruments < glasses lens ; camera',
  'cameras and optics < camera lens glasses',
  'opera glasses, binoculars < glasses',
  `
    electronics, electricals, electrical, technology, tech, consumer electronics, appliances < radio
    recordPlayer headphones phone computer electronics ; camera lens typewriter
  `,
  'audio, hi fi, hifi, audio equipment, sound equipment < recordPlayer radio headphones',
  'radios < radio',
  'computing, computers, computers and tablets < computer',
  'phones, telephones, phones and accessories < phone',
  'office, office equipment, office machines < typewriter computer',
  'cameras and electronics < electronics',

  'music < record cassette cd ; sheetMusic',
  'records, vinyl, vinyl records < record',
  'records and tapes < record cassette',
  'film, films, movies, cinema, film and television, movies and tv < film',
  'media, entertainment, music and film, books music and film < music ; books videoGame',
  'music and instruments < record cassette cd instruments',
  'cds < cd',
  'cassettes, tapes < cassette',
  'books, reading, literature, novels < book childBook ; map magazine sheetMusic',
  'children books, kids books < childBook',
  'magazines, comics, newspapers, periodicals < magazine',
  'maps, atlases, cartography < map',
  'sheet music, scores < sheetMusic',
  'books and paper, paper and print, printed matter, print, paper goods < books postcard stamp paperPattern',
  'paper, ephemera, paper ephemera < postcard map magazine stamp ; sheetMusic paperPattern',
  `
  games, puzzles and games, games and puzzles < jigsaw boardGame cardGame ; videoGame doll modelToy
  buildingSet
`,
  'puzzles < jigsaw',
  'board games, tabletop games, table games < boardGame ; cardGame',
  'video games, gaming, consoles < videoGame',
  'toys, toys and games, games and toys, play, playthings < games ; childBook',
  'dolls, teddies, dolls and bears, soft toys < doll',
  'models, model making, trains, model railways, diecast < modelToy',
  'construction toys, building toys < buildingSet',
  `
    pastimes, pastime, hobbies, hobby, leisure, interests, hobbies and interests < books music games
    collectables craft sport instruments ; camera recordPlayer radio electronics
  `,
  'crafts, craft, arts and crafts, crafts and sewing, sewing and knitting, handicrafts < craft',
  'sewing, haberdashery, dressmaking < sewingMachine paperPattern buttons fabric ; yarn',
  'knitting, yarns, yarn, wool < yarn ; paperPattern',
  'fabric, fabrics < fabric',
  'patterns < paperPattern',
  `
    sport, sports, fitness, outdoors, sports and outdoors, sporting goods, sport and outdoor, sports
    equipment < sport
  `,
  'camping, hiking, camping and hiking < tent ; rucksack',
  'cycling, bicycles, bikes < bicycle',
  'fishing, angling < fishing',
  'winter sports, skiing < winterSport',
  'racket sports, golf < racket',
  `
    collectables, collectibles, curios, curiosities, memorabilia, collecting, collectors items <
    collectables ; doll modelToy
  `,
  'cabinet pieces < coin badge sign ; collectables',
  'antiques, antique < ; furniture vase ornament clock',
  'coins, medals, coins and medals, numismatics < coin',
  'stamps, philately < stamp',
  'postcards, photographs < postcard',
  'militaria, badges < ; badge coin',
  'signs, advertising < sign',
];

/** What a shelf’s word holds. */
export interface Concept {
  surely: readonly string[];
  likely: readonly string[];
}

export const CONCEPTS: readonly (readonly [name: string, Concept])[] = LINES.flatMap((line) => {
  const [names = '', kinds = ''] = line.trim().replaceAll(/\s+/gu, ' ').split(' < ');
  const [surely = '', likely = ''] = ` ${kinds} `.split(';').map((part) => part.trim());
  const ids = (text: string) => text.split(' ').filter((id) => id !== '');
  return names.split(', ').map((name) => [name, { surely: ids(surely), likely: ids(likely) }] as const);
});
