/**
 * Narrower items and other names by which a kind is recognised, beside those it offers as words to be found
 * by: a hoodie is a jumper, though nobody who looks for a gansey wants to read "hoodie". Of a branch: what
 * belongs there and has no kind of its own. Common practice, from memory.
 */
export const KIN: Readonly<Record<string, string>> = {
  // Names that end in a name of ours and are nothing of ours.
  '': `
    dog coat, dog jacket, dog bed, cat bed, dog basket, cat basket, dog collar, dog bowl, cat bowl, horse
    blanket, horse rug, mirror ball, disco ball, book token, gift card, gift box, lamp oil, record sleeve,
    record needle, light switch, light meter battery, car seat, child seat, toilet seat, bike seat, car
    radio aerial, car mats, car mat, steering wheel, mouse mat, ink cartridge, printer cartridge, memory
    card, sim card, credit card, business card, train ticket, gas cooker, electric cooker, cooker, fridge,
    freezer, washing machine, dishwasher, tumble dryer, lawn seed, fence post, paving stone, roof tile,
    brake pads, watch glass, watch face, watch movement, guitar pick, violin rosin
  `,
  clothes: `
    clothing, outfit, jumpsuit, boiler suit, overalls, uniform, costume, sari, fancy dress, underwear, bra,
    knickers, corset, petticoat, lingerie
  `,
  jumper: `
    jersey, hoodie, hoody, sweatshirt, polo neck, roll neck, turtleneck, slipover, fleece, guernsey,
    pullover, knitwear
  `,
  coat: `
    anorak, raincoat, mac, mackintosh, trench, overcoat, duffel, duffle, peacoat, pea coat, windbreaker,
    windcheater, bomber, cagoule, cape, cloak, poncho, oilskin, puffer, blouson, tailcoat, topcoat,
    greatcoat, shacket, outerwear, housecoat, fleece jacket, dinner jacket, donkey jacket
  `,
  trousers: `
    pants, joggers, jogging bottoms, leggings, dungarees, breeches, cargos, culottes, jodhpurs, corduroys,
    sweatpants, tracksuit bottoms, plus fours, palazzos
  `,
  shirt: 'blouse, tunic, smock, polo shirt, football shirt, nehru shirt',
  cardigan: 'cardi, twinset, twin set, bolero, shrug',
  tshirt: `
    tshirt, t shirt, tee shirt, camisole, cami, tank top, crop top, singlet, polo, bodysuit, vest top,
    halter top
  `,
  waistcoat: 'gilet, bodywarmer, body warmer',
  jeans: 'denims, jeggings',
  shorts: 'bermudas, hot pants',
  dress: `
    sundress, pinafore, kaftan, caftan, ball gown, ballgown, evening gown, wedding dress, wedding gown,
    shift dress, cheongsam
  `,
  skirt: 'miniskirt, sarong, tutu, underskirt',
  suit: 'tuxedo, dinner suit, tracksuit, shell suit, trouser suit, skirt suit, salopettes',
  nightwear: `
    pajamas, pyjama, nightgown, nightie, nightshirt, bathrobe, bath robe, negligee, onesie, dressing gown,
    loungewear, kimono
  `,
  swimwear: `
    swimsuit, bikini, swimming costume, bathing suit, bathing costume, swimming trunks, swim shorts, swim
    trunks, tankini, wetsuit
  `,
  childClothes: `
    babygrow, baby grow, sleepsuit, rompers, baby clothes, christening gown, christening robe, school
    uniform, layette, bib, bootees, babywear, childrenswear
  `,
  extras: `
    sunglasses, spectacles, reading glasses, eyeglasses, apron, pocket square, handkerchief, handkerchiefs,
    hanky, hankies, ear muffs, earmuffs, collar, muff, veil, spats
  `,
  scarf: 'wrap, snood, bandana, pashmina, neckerchief, cowl, muffler, boa, stole',
  hat: `
    beanie, trilby, fedora, bowler, panama, cloche, boater, fascinator, balaclava, turban, deerstalker,
    headband, sou wester, tam o shanter, mortarboard, stetson
  `,
  gloves: 'mitts, gauntlets, mitten',
  belt: 'cummerbund, sash, suspenders',
  tie: 'necktie, neck tie, bow tie, bowtie, dickie bow',
  hosiery: 'sock, stockings, leg warmers, legwarmers, pop socks, hold ups, knee highs, hosiery',
  boots: 'wellies, welly, wellington, chukkas, desert boots, snow boots, football boots, riding boots',
  shoes: `
    heels, stilettos, flats, espadrilles, moccasins, oxfords, derbies, derbys, mary janes, wedges,
    platforms, slingbacks, winkle pickers, lace ups, footwear, court shoes, ballet shoes, tap shoes,
    creepers
  `,
  trainers: 'running shoes, gym shoes, tennis shoes, high tops, football trainers, gutties, daps',
  sandals: 'flip flops, sliders, jelly shoes, flipflops',
  slippers: 'house shoes, babouches',
  bag: `
    holdall, shopper, briefcase, attache case, bum bag, pouch, saddlebag, gladstone, crossbody, duffel bag,
    duffle bag, reticule, shoulder bag, record bag, camera bag, sports bag, clutch
  `,
  rucksack: 'haversack, daypack, daysack, day sack, back pack',
  suitcase:
    'luggage, travel case, vanity case, weekend case, trolley case, portmanteau, cabin case, suit case',
  wallet: 'coin purse, card holder, card case, billfold, passport holder, card wallet, money clip',
  jewellery:
    'tiara, charm, jewelry, hair slide, hair clip, hair comb, barrette, gemstone, body jewellery, nose stud',
  ring: 'signet, wedding band, eternity ring, solitaire ring',
  necklace: 'choker, pearls, torc, rosary, medallion, amulet, necklet, lariat, beads',
  bracelet: 'cuff, anklet, armlet, bangles',
  earrings: 'earring, ear studs, ear rings, clip ons, hoop earrings',
  brooch: 'stick pin, stickpin, hat pin, hatpin, kilt pin, cameo, lapel pin, scarf clip, scarf ring',
  cufflinks: `
    cuff links, cufflink, tie clip, tie pin, tie bar, tie tack, tie slide, collar studs, shirt studs, dress
    studs
  `,
  watch: 'wrist watch, stopwatch, stop watch, smartwatch, smart watch, fob watch, chronograph, timepiece',

  home: `
    homeware, coasters, coaster, ashtray, ash tray, letter opener, paper knife, door knocker, door knob,
    door handle, doorbell, bell, fire guard, fireguard, fire screen, companion set, fire irons, poker, coal
    scuttle, bellows, umbrella, parasol, walking stick, walking cane, fan, hot water bottle, hooks, coat
    hooks, letter rack, trivet, hairbrush, hair brush, shaving brush, razor, towel rail, notice board,
    noticeboard, blackboard, globe, candle, candles, wallpaper, first aid box, bird cage, birdcage, photo
    album, vanity set, toilet roll holder, tissue box, fire dogs, fire basket, house number, snuffer,
    incense burner, oil burner
  `,
  vase: `
    urn, jardiniere, planter, plant pot, flower pot, flowerpot, cachepot, bottle, demijohn, glassware, rose
    bowl, perfume bottle, scent bottle, carafe, terrarium, art glass
  `,
  ornament: `
    statuette, sculpture, bookend, bookends, book ends, paperweight, snow globe, carving, gnome, trinket,
    bauble, christmas decoration, tree decoration, wind chime, doorstop, door stop, money box, piggy bank,
    moneybox, toby jug, character jug, knick knack, wall mask, nutcracker soldier, flying ducks
  `,
  clock: 'hourglass, sundial, alarm clock',
  mirror: 'looking glass',
  pictureFrame: `
    lithograph, drawing, sketch, engraving, sampler, canvas, photo frame, screenprint, linocut, woodcut,
    wall art, artwork, portrait, landscape, seascape, still life, silhouette, art print, oil on canvas, oil
    on board, pastel, gouache, collage
  `,
  candlestick: `
    candle stick, candleholder, tealight holder, tea light holder, candelabrum, sconce, chamberstick, candle
    sticks
  `,
  basket: `
    hamper, trug, crate, hat box, hatbox, bin, tea caddy, caddy, biscuit tin, cake tin, pill box, boxes,
    storage tin, laundry basket, picnic basket, picnic hamper, strongbox, humidor, bread bin, cash box
  `,

  kitchen: `
    toaster, bread maker, waffle iron, blender, food mixer, hand mixer, stand mixer, mixer, food processor,
    juicer, slow cooker, ice cream maker, spice rack, plate rack, mug tree, egg timer, air fryer, espresso
    machine, coffee machine, coffee maker, microwave, pressure cooker, rolling pin, whisk, tin opener, can
    opener, bottle opener, corkscrew, nutcracker, nutcrackers, peeler, grater, utensils, kitchen utensils,
    napkin ring, napkin rings, chopping board, bread board, breadboard, cheese board, wine cooler, kitchen
    tools, kitchen gadget, butter churn, egg slicer, tea cosy, tea strainer, cookie cutter, cookie cutters,
    oven gloves, wine rack, lunch box, lunchbox, piping set
  `,
  kitchenware: `
    kettle, pitcher, ewer, gravy boat, sauce boat, creamer, cafetiere, percolator, moka pot, cocktail
    shaker, colander, sieve, strainer, ramekin, jelly mould, mould, jar, jars, canister, cake stand, toast
    rack, ice bucket, cruet, salt cellar, shakers, pepper pot, salt pig, biscuit barrel, cheese dome, butter
    dish, soup tureen, crock, trays, casserole lid, tagine, lazy susan, baking tin, baking tray, muffin tin,
    loaf tin, bowls, salad servers bowl, salt and pepper, mortar and pestle, pestle and mortar, bain marie,
    flagon, toast tray, fruit bowl, bread crock, condiment set
  `,
  teapot: 'tea pot, samovar',
  cup: `
    teacup, tea cup, coffee cup, beaker, glasses, drinking glass, wine glass, wine glasses, champagne glass,
    champagne flute, champagne flutes, champagne coupe, tankard, stein, shot glass, whisky glass, sherry
    glass, pint glass, beer glass, brandy glass, cocktail glass, liqueur glass, water glass, hi ball,
    highball, rummer, chalice, egg cup, egg cups, cup and saucer, cups and saucers, teacup and saucer,
    demitasse, wineglass, hock glass, coupe, drinking horn, saki cup, julep cup
  `,
  plate: `
    tea set, teaset, coffee set, dinner set, dinner service, tea service, tableware, dinnerware, crockery,
    platters, charger plate, bone china, breakfast set, nursery set, trio
  `,
  cutlery: `
    spoon, fork, knife, ladle, teaspoon, teaspoons, tablespoon, tablespoons, canteen of cutlery, fish
    knives, fish slice, cake slice, cake server, sugar tongs, tongs, chopsticks, carving set, salad servers,
    sugar nips, steak knives, knife block
  `,
  pan: `
    saucepan, stockpot, stock pot, stew pot, dutch oven, roasting tin, griddle, steamer, cookware, cauldron,
    fondue set, fondue, casserole dish, pans, roaster, preserving pan, fish kettle, girdle
  `,
  grinder: `
    scale, kitchen scales, weighing scales, mouli, pestle, bean slicer, mandoline, spiralizer, balance
    scale, coffee grinder, meat grinder, weights and scales
  `,

  lighting: `
    wall light, wall lamp, fairy lights, light bulb, bulb, lamp base, string lights, spotlight, spotlights,
    floodlight, strip light, lamp parts, chandelier drops, night light, nightlight
  `,
  lamp: `
    standard lamp, floor lamp, uplighter, lava lamp, task light, lamps, desk light, bedside light, bankers
    lamp, gas lamp
  `,
  lantern: `
    hurricane lamp, torch, paraffin lamp, miner lamp, carbide lamp, tilly lamp, storm lantern, bicycle lamp,
    flashlight, candle lantern, railway lamp, signal lamp
  `,
  ceilingLight: `
    lamp shade, light shade, shade, ceiling lamp, light fitting, hanging lamp, pendant lamp, pendant light,
    pendant shade, plafonnier
  `,

  textiles: `
    towel, bath towel, tapestry, bed linen, sheet, sheets, bed sheet, pillowcase, pillow case, duvet cover,
    duvet set, bedding, wall hanging, valance, flag, bunting, banner, bath sheet, face cloth
  `,
  blanket: 'bed throw, travel rug, afghan, picnic rug, crochet throw, car rug',
  quilt: 'duvet, counterpane, coverlet, comforter, bedcover, bed cover',
  tableLinen: `
    table cloth, napkin, serviettes, place mat, place mats, placemat, placemats, table mats, table runner,
    tea towel, tea towels, doily, doilies, tray cloth, dish towel, antimacassar, linen napkins, glass cloth
  `,
  curtain:
    'drapes, net curtain, blind, blinds, pelmet, curtain, curtain tie backs, roller blind, door curtain',
  rug: `
    runner, bath mat, doormat, door mat, dhurrie, hearthrug, runner rug, stair runner, hall runner,
    sheepskin, mats, flokati, prayer mat
  `,
  cushion: 'pillow, bolster, beanbag, bean bag, seat pad, cushion cover, cushion pad, pillow cushion',

  furniture: `
    sofa, settee, couch, chaise longue, chaise, chesterfield, bed, bedstead, bed frame, headboard, cot,
    cradle, coat stand, coat rack, hat stand, hat rack, hall stand, hallstand, plant stand, umbrella stand,
    screen, room divider, shoe rack, clothes horse, clothes rail, tea trolley, trolley, drinks trolley,
    magazine rack, pedestal, plinth, futon, sofa bed, day bed, bunk bed, mattress, whatnot, valet stand,
    cake trolley, bar cart, torchere, folding screen, garden furniture, suite, three piece suite,
    stepladder, towel rack, sun lounger, bookstand, sewing cabinet, hostess trolley
  `,
  chair: `
    seat, footstool, foot stool, deckchair, deck chair, pew, recliner, rocker, ottoman, pouffe, pouf,
    settle, carver, high chair, highchair, love seat, chairs, hassock, beach chair, milking stool, step
    stool
  `,
  table: `
    console, nest of tables, escritoire, secretaire, washstand, wash stand, dressing table, workbench,
    writing box, side board table, tables, butcher block, lap desk, davenport, tea table, trestles
  `,
  cupboard: `
    sideboard, dresser, book case, shelves, shelving, bookshelf, book shelf, larder, armoire, credenza,
    locker, tv stand, tv unit, linen press, shelving unit, shelf unit, wall unit, chiffonier, vitrine,
    display case, meat safe, bathroom cabinet, nightstand, night stand, cabinets, pigeon holes, kitchen
    unit, kitchen island, highboard
  `,
  chestOfDrawers: `
    chest of drawers, tallboy, commode, plan chest, tea chest, toy chest, blanket chest, sea chest, lowboy,
    bank of drawers, chests, kist
  `,

  tools: `
    ladder, ladders, pen knife, hammer, mallet, axe, hatchet, spanner, wrench, pliers, pincers, vice, clamp,
    cramp, anvil, brace, hand drill, bit brace, file, rasp, penknife, pocket knife, pocketknife, clasp
    knife, multitool, crowbar, socket set, tool box, toolbox, tool chest, tool kit, toolkit, tool set, tool
    bag, tool roll, soldering iron, oil can, blow lamp, blowlamp, blowtorch, ratchet, tin snips, paint
    brush, paintbrush, adze, drawknife, draw knife, brace and bit, shoe last, cobbler last, branding iron,
    sharpening stone, whetstone, oilstone, stanley knife, craft knife, utility knife, staple gun, glue gun,
    hand tools, bolt cutters, auger, billhook, nail puller, jack, tool
  `,
  handPlane: `
    jack plane, block plane, smoothing plane, moulding plane, router plane, plough plane, rebate plane,
    jointer, smoother
  `,
  saw: 'hacksaw, handsaw, fretsaw, coping saw, hand saw',
  chisel: 'bradawl, awl, carving tools, turning tools, screwdrivers, burin',
  measuringTool: `
    tape measure, ruler, spirit level, micrometer, vernier, set square, plumb bob, callipers, calliper,
    caliper, slide rule, compass, theodolite, dividers, protractor, yardstick, tape rule, pressure gauge,
    thermometer, sextant, try square, measuring tape, plumb line, hygrometer
  `,
  gardenTool: `
    rake, hoe, trowel, watering can, lawn mower, lawnmower, mower, wheelbarrow, dibber, edger, scythe,
    sickle, loppers, garden fork, digging fork, hand fork, pitchfork, shovel, secateur, hose, garden hose,
    bulb planter, cloche bell, garden roller, hedge clippers, pruning knife, garden line, riddle, besom,
    garden sprayer
  `,
  powerTool: `
    angle grinder, bench grinder, circular saw, chainsaw, chain saw, impact driver, nail gun, heat gun,
    lathe, mitre saw, band saw, bandsaw, electric jigsaw, electric drill, strimmer, hedge trimmer, pressure
    washer, leaf blower, generator, electric planer, rotary tool, electric screwdriver, cordless
    screwdriver, table saw, belt sander, air compressor
  `,

  electronics: `
    television, tv, tv set, monitor, vacuum cleaner, carpet sweeper, hair dryer, hairdryer, hair
    straighteners, curling tongs, iron, steam iron, smoothing iron, electric fan, desk fan, heater, fan
    heater, video recorder, dvd player, cd player, cassette player, cassette recorder, cassette deck, tape
    recorder, tape deck, tape player, reel to reel, music player, mp3 player, personal stereo, speaker,
    speakers, loudspeaker, loudspeakers, soundbar, amplifier, amp, hi fi, hifi, stereo, music centre,
    projector, slide projector, film projector, printer, scanner, dictaphone, walkie talkie, walkie talkies,
    shaver, electric shaver, electric razor, oscilloscope, multimeter, voltmeter, sewing lamp, light meter,
    tripod, slide viewer, electric blanket, sat nav, baby monitor, electronic organiser, minidisc player,
    digital photo frame, enlarger, flash gun, flashgun, microphone, valve tester, electronics, walkman,
    appliance
  `,
  camera: `
    slr, dslr, box camera, instant camera, cine camera, video camera, camcorder, rangefinder, webcam, movie
    camera, dash cam, twin lens reflex, bellows camera
  `,
  lens: 'telephoto, zoom lens, prime lens',
  glasses: `
    field glasses, monocular, spyglass, opera glass, lorgnette, microscope, magnifying glass, magnifier,
    loupe, spotting scope, stereoscope, binocular, telescopes, field glass
  `,
  radio: `
    wireless set, tuner, crystal set, clock radio, radio alarm, radiogram, transistor, radio cassette, radio
    set, boombox, ghetto blaster, radio scanner
  `,
  recordPlayer: 'record deck, phonograph, jukebox, radiogramophone, stereogram',
  typewriter: 'type writer, teleprinter',
  headphones: 'earphones, earbuds, ear buds, headset, headphone',
  phone: `
    mobile phone, smartphone, smart phone, mobile, answering machine, telephones, field telephone, intercom,
    pager
  `,
  computer: `
    pc, desktop computer, e reader, ereader, netbook, adding machine, hard drive, word processor, computer
    keyboard, mechanical keyboard, computer mouse, graphics card, modem, palmtop, chromebook, motherboard,
    home computer, notebook computer, cash register, electronic calculator, memory stick, abacus
  `,

  books: `
    diary, notebook, journals, ledger, stationery, writing paper, exercise book, bookplate, bookplates,
    bookmark, scroll, manuscript, address book, visitors book
  `,
  book: `
    hardback, hardcover, cookbook, cookery book, recipe book, biography, autobiography, textbook,
    dictionary, bible, prayer book, hymn book, hymnal, guide, guidebook, guide book, handbook, manual,
    encyclopedia, encyclopaedia, anthology, memoir, memoirs, poems, poetry, thesaurus, novella, omnibus,
    phrase book, short stories, first edition, exhibition catalogue, boxed set of books, companion guide,
    workshop manual, instruction book, travel guide, instruction manual, almanac, yearbook, reference work,
    plays, edition, graphic novel, pattern book, coffee table book, collected works, complete works,
    audiobook, volumes
  `,
  childBook: `
    children book, picture book, pop up book, board book, nursery rhymes, fairy tales, colouring book, kids
    book, storybook, story book, activity book, nursery book, sticker book, annuals for children, alphabet
    book, school reader, childrens novel, baby book
  `,
  map: `
    road map, sea chart, road atlas, gazetteer, star chart, street plan, maps, town plan, navigation chart
  `,
  magazine: `
    periodical, journal, comic book, fanzine, zine, back issue, newspapers, comics, broadsheet, knitting
    magazine
  `,
  sheetMusic: `
    music book, song book, vocal score, music score, sheet music, piano music, song sheet, tutor book, piano
    tutor, guitar tab, hymn sheet, opera score, music manuscript
  `,
  music: 'recording, minidisc, music box set, reel tape, music dvd, wax cylinder, piano roll, piano rolls',
  record: `
    lp, lps, ep, vinyl, single, singles, album, soundtrack, picture disc, 78s, double lp, vinyl record, 45s,
    78 rpm, box set of records, long player, vinyls, seven inch, twelve inch single, flexi disc
  `,
  cassette: 'cassette tape, tape, audio cassette, mixtape, tapes, music cassette, cassettes, eight track',
  cd: 'cds, cd single, cd album, compact disc, compact discs, audio cd',
  film: `
    dvd, dvds, blu ray, bluray, vhs, vhs tape, video tape, videotape, video cassette, movie, laserdisc,
    laser disc, dvd box set, box set of films, cine film, film reel, tv series, 8mm film, steelbook,
    documentary
  `,
  games: `
    toy, toys, rocking horse, spinning top, yo yo, kite, doll house, marbles, playset, play set, toy
    kitchen, hobby horse, rattle, kaleidoscope, toy farm, magic set, pull along toy, baby walker, ride on
    toy, doll pram, toy shop, game, activity centre, sandpit toys, pogo stick, hula hoop, tea set toy, toy
    tea set, baby gym, play kitchen, garage toy, shape sorter, trivia machine, bubble machine, fidget toy,
    musical toy, push along, slinky, stacking toy, toy drum, toy piano, toy theatre, toy garage, toy box
    game, water pistol, cap gun, toy gun, wooden toy
  `,
  jigsaw: 'puzzle, jigsaw, puzzles, wooden puzzle, puzzle cube',
  boardGame: `
    chess set, chess board, chessboard, chess pieces, draughts, checkers, backgammon, ludo, snakes and
    ladders, mah jong, mahjong, solitaire, roulette, bagatelle, shove ha penny, quiz game, travel game,
    strategy game, war game, wargame, bingo, table football, nine men morris, board games, table game, go
    set, trivia game, carrom, murder mystery game
  `,
  cardGame: `
    playing cards, tarot, trading cards, domino, cribbage board, poker chips, poker set, tarot cards, deck,
    trading card, card deck, die, happy families, collectible cards, poker dice, cribbage
  `,
  videoGame: `
    computer game, games console, game console, joystick, gamepad, game controller, controller, handheld
    console, gaming console, arcade machine, games, pinball machine, handheld game, video games
  `,
  doll: `
    soft toy, cuddly toy, puppet, marionette, stuffed toy, rag doll, plushie, action figure, glove puppet,
    doll clothes, plush toy, teddy bear, golly doll, peg doll, matryoshka, nesting dolls, russian dolls,
    stuffed animal, action figures, ventriloquist dummy
  `,
  modelToy: `
    train set, model railway, diecast, die cast, tin toy, toy soldier, toy soldiers, lead soldiers, model
    kit, slot car, rolling stock, tinplate, drone, model soldiers, model plane, toy plane, toy lorry, toy
    train, toy boat, toy tractor, model car, model ship, ship in a bottle, remote control car, pond yacht,
    toy truck, toy bus, railway carriage, tank engine, wagon, miniature figures, model boat, clockwork
    train, pedal car, construction model, plastic kit, tin robot, robot, toy cars, model cars, toy van, kit
    aeroplane, steam engine
  `,
  buildingSet: `
    building blocks, building bricks, construction set, construction kit, wooden blocks, toy bricks,
    magnetic tiles, marble run, brick set, building kit
  `,

  collectables: `
    memorabilia, militaria, fossil, mineral, pen, fountain pen, ballpoint pen, pencil, propelling pencil,
    inkwell, inkstand, ink well, lighter, pipe, cigarette case, snuff box, vesta case, match box, matchbox,
    matchboxes, key ring, keyring, beer mat, beer mats, sword, bayonet, trophy, phonecards, seashell,
    seashells, shells, dip pen, letter seal, wax seal, helmet plate, truncheon, police whistle, autograph,
    crystal, geode, taxidermy, pen knife set, hip flask, horse brass, horse brasses, relic, model
    lighthouse, souvenir, commemorative, snuff bottle, tax disc, blotter, bottle opener collection
  `,
  stamp: `
    stamp collection, postage stamp, postage stamps, presentation pack, book of stamps, first day covers,
    stamp sheet, stamp book, postal history
  `,
  coin: `
    bank note, bank notes, sovereign, half crown, florin, penny, pennies, farthing, proof set, crown coin,
    sixpence, shilling, threepence, coins, campaign medal, war medal, coin set, currency, commemorative
    coin, ingot
  `,
  postcard: `
    photo, photos, programme, cigarette cards, tea cards, leaflet, letters, greetings card, greeting card,
    greetings cards, christmas card, christmas cards, birthday cards, brochure, menu, certificate, calendar,
    playbill, scrapbook, scraps, catalogue, carte de visite, negatives, slides, magic lantern slides,
    valentine card, flyer, timetable, bus ticket, photographs, photograph album, cabinet card, press photo,
    travel poster, film poster, film still, lobby card, theatre programme, football programme, letter,
    envelope, deed, bill heads, share certificate, ration book, autograph book, wall chart, telegram
  `,
  badge: `
    pin badge, button badge, cap badge, rosette, insignia, sew on patch, badges, enamel pin, epaulette, name
    badge, arm band
  `,
  sign: `
    signs, number plate, nameplate, name plate, advertising mirror, neon sign, street name, tin sign, pub
    sign, advertising board, enamel plate, weather vane
  `,

  craft: `
    knitting needles, crochet hook, crochet hooks, sewing box, sewing basket, workbox, work box, embroidery
    hoop, embroidery kit, embroidery frame, cross stitch kit, tapestry kit, needlework, spinning wheel,
    loom, pincushion, pin cushion, thimble, thimbles, paint set, paints, paint box, sketchbook, sketch book,
    craft kit, needle case, knitting machine, sewing kit, scissors, dressmaking scissors, stencil, stencils,
    rubber stamps, mannequin, dress form, tailor dummy, easel, darning mushroom, felting kit, knitting kit,
    crochet kit, beading kit, palette, quilting hoop, bobbins, lace bobbins, bobbin, pinking shears,
    needles, modelling clay, candle making kit, rug making kit, paper punch, watercolour set, brushes set,
    calligraphy set, hand loom, weaving loom, haberdashery, darning kit, sewing scissors, artist materials,
    pottery wheel, kiln
  `,
  yarn: `
    skein, skeins, hank, knitting wool, sock wool, embroidery thread, embroidery silks, embroidery floss,
    cotton reels, cotton reel, sewing thread, crochet cotton, tapestry wool, wool, yarns, threads, darning
    wool, ball of wool, roving, mending wool
  `,
  fabric: `
    fat quarters, fat quarter, dress fabric, curtain fabric, material, oilcloth, felt, calico, tweed length,
    fabrics, remnants, fabric bundle, silk length, muslin, interfacing, quilting squares
  `,
  sewingMachine: 'overlocker, sewing machines, treadle machine, hand crank machine',
  paperPattern: `
    pattern, dress pattern, crochet pattern, patterns, sewing patterns, cross stitch pattern, cross stitch
    chart, tapestry chart, knitting leaflet, knitting booklet, toy pattern, embroidery transfer, embroidery
    transfers, iron on transfers
  `,
  buttons: `
    button, trim, trimming, trimmings, buckle, zip, zips, sequins, braid, bias binding, edging, fringe,
    tassel, tassels, press studs, hooks and eyes, seed beads, craft beads, lace trim, ribbons, collar lace,
    rickrack, poppers, toggles, curtain trim
  `,
  sport: `
    football, rugby ball, cricket ball, basketball, netball, tennis balls, golf balls, ball, dumbbell,
    dumbbells, weights, kettlebell, yoga mat, exercise bike, treadmill, rowing machine, boxing gloves, punch
    bag, golf bag, golf trolley, skateboard, scooter, surfboard, bodyboard, paddle board, kayak, canoe, life
    jacket, dartboard, dart board, darts, cricket pads, shin pads, riding hat, cycle helmet, cycling helmet,
    crash helmet, helmet, bridle, snorkel, goggles, archery bow, bow and arrows, bowls set, lawn bowls,
    boules, frisbee, skipping rope, trampoline, climbing rope, harness, climbing harness, karabiner,
    carabiner, horse saddle, riding saddle, oars, oar, paddle, dinghy, croquet set, weight bench, exercise
    mat, hiking poles, walking poles, resistance bands, riding crop, whip, bowling balls, petanque, swimming
    goggles, flippers, pedometer, quoits, cricket set, stumps, shuttlecocks, table tennis table, snooker
    table, pool table, gym equipment, running belt
  `,
  bicycle: `
    mountain bike, road bike, racing bike, tricycle, cycle, tandem, unicycle, bike frame, bicycle saddle,
    handlebars, pedals, pannier, panniers, folding bike, balance bike, bicycle bell, bicycle pump, bike
    pump, bike wheel, bicycle wheel, derailleur, bike rack, bicycle basket, bike, bikes, bmx, e bike, saddle
    bag
  `,
  racket: `
    racquet, tennis racket, cricket bat, golf club, golf clubs, hockey stick, baseball bat, lacrosse stick,
    putter, driver golf, snooker cue, pool cue, cue, croquet mallet, table tennis bat, rackets, badminton
    set, golf iron, golf driver, golf putter, squash racquet, shillelagh, hurley, cricket bats
  `,
  tent: `
    camping stove, camp stove, sleeping mat, airbed, air bed, vacuum flask, thermos, cool box, coolbox,
    picnic set, hammock, camp bed, camping chair, mess tin, water bottle, awning, gazebo, bivvy, tarp,
    headtorch, head torch, sleeping bag, rucksack cover, survival kit, camping kettle, camping table,
    canteen bottle, tents, portable barbecue, ground sheet
  `,
  fishing: `
    fishing rod, fly rod, fishing reel, fly reel, tackle box, lures, fly box, waders, landing net, fishing
    flies, fishing net, creel, keepnet, fishing tackle, fishing basket, fishing line, fishing float, fishing
    floats, rod bag, spinners, fishing bag, fish hooks, fishing priest, fishing vest, gaff, fishing
    waistcoat, lobster pot, fishing seat
  `,
  winterSport: `
    ice skates, snowboard, toboggan, sled, ski poles, roller skates, rollerskates, inline skates, ski
    goggles, snow shoes, snowshoes, ski boots, rollerblades, ski, bobsleigh, snowboard boots, roller boots
  `,
  instruments: `
    piano, keyboard, digital piano, organ, synthesizer, synthesiser, synth, harp, zither, xylophone,
    glockenspiel, dulcimer, music stand, metronome, autoharp, melodica, triangle, maracas, castanets, tuning
    fork, kalimba, lyre, musical instrument, harmonium, pitch pipe, celeste, effects pedal, guitar pedal,
    guitar amp, theremin, handpan, toy harp, hurdy gurdy, stylophone, music box, musical box, barrel organ,
    drum machine, sampler keyboard, practice amp, capo
  `,
  guitar: 'bass guitar, lute, sitar, bouzouki, ukulele banjo, cittern, guitars, steel guitar',
  fiddle: 'double bass, violin bow, cello bow, violins',
  squeezebox: 'bandoneon, piano accordion, button accordion',
  wind: `
    saxophone, trombone, tin whistle, penny whistle, oboe, bassoon, french horn, bugle, cornet, piccolo,
    harmonica, mouth organ, bagpipes, ocarina, panpipes, pan pipes, tuba, kazoo, descant recorder, treble
    recorder, didgeridoo, euphonium, flugelhorn, hunting horn, post horn, fife, sousaphone
  `,
  drum: `
    drum kit, snare, bongos, cymbals, djembe, conga, bodhran, cajon, drum set, tom tom, timpani, bongo,
    tabla, drums, steel drum, steel pan, practice pad, cowbell
  `,
};
