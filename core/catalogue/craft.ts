import { readEntries, type CatalogueEntry } from './entry.ts';

/** What comes from drawers, desks, packs and the garden. Each line as readEntry has it; lengths in mm, mass in g. */
export const CRAFT: readonly CatalogueEntry[] = [
  ...readEntries(
    'Cords and laces',
    `
    shoe-lace | Shoe lace | cord | d5(4-8) l1200(600-1800) | fabric | 30 | 6 | wash | | #6F7E79 | |
    lace-tip | Lace tip, plastic | rod | d3(2.5-3.5) l22(18-25) | plastic | 0 | 0.3 | wash | | #3A4442 | |
    wool | Wool, double knit /m | cord | d3(2-4) | fabric | 40 | 0.4 | wash | | #B04A5A | |
    string | Parcel string /m | cord | d2(1.5-3) | fabric | 10 | 1.2 | rest | | #B8935A | |
    cotton-cord | Cotton cord /m | cord | d4(3-6) | fabric | 20 | 6 | wash | | #E4DCC8 | |
    elastic | Hat elastic /m | cord | d1.5(1-2) | rubber | 50 | 1 | wash | | #53625F | |
    ribbon | Gift ribbon /m | cord | d10(5-25) | fabric | 20 | 2 | wash | | #A3455F | |
    thread | Strong thread /m | cord | d0.5(0.3-0.8) | fabric | 5 | 0.2 | none | | #2C5F8A | |
    `,
  ),
  ...readEntries(
    'Sticks',
    `
    craft-stick | Craft stick | block | l114(112-116) b10(9.5-10) h2(1.8-2.2) | wood | 0 | 1.3 | wipe | | #D8B98A | |
    wide-stick | Craft stick, wide | block | l150(148-153) b18(17-19) h1.6(1.5-1.8) | wood | 0 | 2.6 | wipe | | #D8B98A | |
    dowel-cut | Dowel cut | rod | d12(8-16) l100(50-150) | wood | 0 | 7 | wipe | splinters | #B88A55 | |
    stirrer | Coffee stirrer | block | l140(110-180) b6(5-6) h1.2(1-1.4) | wood | 0 | 0.7 | none | splinters | #CFAE7D | |
    lolly-mould | Lolly holder, plastic | block | l110(100-120) b22(18-26) h4(3-6) | plastic | 0 | 5 | wash | | #E08E45 | |
    chopstick | Chopstick | rod | d7(5-8) l230(200-240) | wood | 0 | 5 | wash | splinters | #A87C4B | |
    chenille | Chenille stem | cord | d6(5-8) l300(290-310) | fabric | 40 | 1 | none | sharp edge, stays bent | #6A8CAF | |
    pencil | Pencil, round | rod | d7.3(7-8) l175(172-180) | wood | 0 | 5.5 | wipe | | #D8A657 | |
    `,
  ),
  ...readEntries(
    'Straws',
    `
    paper-straw | Paper straw | tube | d6(6-8) l197(195-210) w0.4(0.35-0.5) | paper | 10 | 1.1 | none | | #C9837A | |
    wide-straw | Wide straw | tube | d12(10-12) l210(190-230) w0.5(0.4-0.6) | plastic | 15 | 2 | wash | | #7FB069 | |
    straw-bead | Straw bead, cut | tube | d12(10-12) l15(10-25) w0.5(0.4-0.6) | plastic | 15 | 0.15 | wash | | #7FB069 | |
    silicone-straw | Silicone straw | tube | d10(8-12) l210(200-250) w1.5(1-2) | rubber | 30 | 12 | wash | | #4C9A8A | |
    `,
  ),
  ...readEntries(
    'Pegs',
    `
    wooden-peg | Clothes peg, wooden | block | l72(70-75) b12(10-13) h14(12-15) | wood | 0 | 4.5 | wipe | splinters, clips on a rim | #CFA86B | |
    plastic-peg | Clothes peg, plastic | block | l78(72-90) b12(10-14) h15(13-18) | plastic | 0 | 6 | wash | clips on a rim | #2C6A3E | |
    mini-peg | Peg, small | block | l35(25-48) b6(3-7) h7(6-9) | wood | 0 | 1 | wipe | clips on a rim | #D8B98A | |
    bulldog-clip | Spring clip | block | l60(50-76) b25(20-40) h20(15-30) | metal | 0 | 14 | wash | sharp edge, clips on a rim | #6F7774 | |
    `,
  ),
  ...readEntries(
    'Fasteners',
    `
    button-large | Button, large | disc | d28(25-34) h4(3-5) w4(3-5) | plastic | 0 | 2.5 | wash | | #8A5A83 | |
    button-small | Button, shirt | disc | d11.4(10-13) h2.5(2-3) w2.5(2-3) | plastic | 0 | 0.4 | wash | | #EDEAE2 | | size: line 18 of 40 to the inch?
    hook-loop | Hook and loop tape /m | consumable | b20(16-25) | fabric | 0 | 12 | wash | | #3A4442 | |
    paper-fastener | Paper fastener | rod | d8(7-10) l20(15-40) | metal | 0 | 0.8 | wash | sharp edge | #C7A23C | |
    paper-clip | Paper clip | block | l33(28-50) b8(7-10) h1(0.8-1.2) | metal | 0 | 0.5 | wash | sharp edge, clips on a rim | #8FA3AD | |
    binder-ring | Binder ring | disc | d38(25-50) h4(3-5) w3(2-4) | metal | 0 | 9 | wash | | #8FA3AD | |
    magnet-disc | Disc magnet | disc | d18(10-25) h4(2-5) w4(2-5) | metal | 0 | 7 | wipe | magnet | #53625F | |
    zip | Zip, cut from clothing | block | l180(120-250) b28(25-32) h3(2-4) | fabric | 10 | 8 | wash | | #2C5F8A | |
    rubber-band | Rubber band | cord | d3(1.5-6) l90(50-120) | rubber | 50 | 0.6 | wash | latex | #B98A55 | |
    button-cell-20 | Button cell 2032 | disc | d20(19.7-20) h3.2(2.9-3.2) w3.2 | metal | 0 | 3 | none | button cell | #A9ADAA | | size: IEC 60086-2, type CR2032?
    button-cell-44 | Button cell, 11.6 mm | disc | d11.6(11.25-11.6) h5.4(5-5.4) w5.4 | metal | 0 | 2 | none | button cell | #A9ADAA | | size: IEC 60086-2, type LR44?
    battery-aa | Battery R6, flat | rod | d14.5(13.5-14.5) l50.5(49.2-50.5) | metal | 0 | 23 | none | toxic | #7F6A3E | | size: IEC 60086-2, type R6?
    battery-aaa | Battery R03, flat | rod | d10.5(9.5-10.5) l44.5(43.3-44.5) | metal | 0 | 11.5 | none | toxic | #7F6A3E | | size: IEC 60086-2, type R03?
    `,
  ),
  ...readEntries(
    'Fillers',
    `
    rice | Rice, dry | egg | l7(5-8) b2.2(1.8-3) h2(1.6-2.5) | food | 0 | 0.025 | none | | #EFE9D8 | |
    haricot | White beans, dried | egg | l10(8-14) b7(6-9) h6(5-7) | food | 0 | 0.3 | none | toxic | #EDE3CC | |
    pasta-tube | Pasta tube, dry | tube | d9(7-12) l35(25-50) w1.2(1-1.5) | food | 0 | 1 | none | gluten | #E0BE74 | |
    lentil | Lentils, dry | egg | l6(4-7) b6(4-7) h2.5(2-3) | food | 0 | 0.06 | none | | #B5763B | |
    pebble | Pebble, washed | egg | l38(25-60) b28(20-45) h18(12-30) | stone | 0 | 45 | wash | | #8A8C86 | |
    bead-large | Wooden bead, large | ball | d25(20-30) | wood | 0 | 5 | wipe | | #B0451A | |
    bell | Jingle bell | ball | d20(12-25) | metal | 0 | 4 | wash | | #C7A23C | |
    glass-marble | Glass marble | ball | d16(14-25) | glass | 0 | 5.5 | wash | marble | #4C7FA0 | |
    sand | Play sand, bag | consumable | l300(200-400) b200(150-300) | stone | 30 | 1000 | none | | #D9C08C | |
    `,
  ),
  ...readEntries(
    'Foods',
    `
    plain-yogurt | Plain yogurt, tub | consumable | | food | 0 | 500 | none | milk, out 2 h, closed 3 days | #F6F1E4 | |
    oat-porridge | Oat porridge, cooked, bowl | consumable | | food | 0 | 250 | none | gluten, out 2 h, closed 2 days | #E3D3AE | |
    potato-mash | Mashed potato, bowl | consumable | | food | 0 | 300 | none | out 2 h, closed 2 days | #EFE0B0 | |
    apple-sauce | Apple sauce, jar | consumable | | food | 0 | 350 | none | out 2 h, closed 3 days | #D8BE74 | |
    wheat-flour | Wheat flour, bag | consumable | | food | 0 | 1000 | none | gluten, closed 180 days, flour | #F4EEDF | |
    fine-salt | Fine salt, packet | consumable | | food | 0 | 500 | none | salt | #F7F7F5 | |
    `,
  ),
  ...readEntries(
    'Soft pieces',
    `
    pom-pom | Pom-pom, 25 mm | ball | d25(20-30) | fabric | 40 | 0.6 | none | | #C9558A | |
    pom-large | Pom-pom, 50 mm | ball | d50(45-60) | fabric | 40 | 3 | none | | #6A8CAF | |
    sponge | Washing-up sponge | block | l110(90-120) b70(60-75) h40(25-45) | foam | 50 | 8 | wash | | #E8CF6C | 8 sponge-cube |
    sponge-cube | Sponge cube, cut | block | l30(20-35) b30(20-35) h30(20-40) | foam | 50 | 0.9 | wash | | #E8CF6C | |
    cotton-ball | Cotton ball | ball | d40(30-50) | fabric | 50 | 0.6 | none | | #F6F3EA | |
    cotton-pad | Cotton pad | disc | d57(55-60) h4(3-6) w4(3-6) | fabric | 40 | 0.6 | none | | #F6F3EA | |
    sock-ball | Rolled baby sock | ball | d55(45-70) | fabric | 40 | 9 | wash | | #A3455F | |
    foam-shape | Foam shape | block | l40(30-60) b40(30-60) h2(2-6) | foam | 20 | 0.5 | wipe | | #5E8CA3 | |
    pool-ring | Pool-noodle ring | tube | d65(60-70) l25(15-40) w22(20-24) | foam | 30 | 3 | wash | | #3E7CB1 | |
    `,
  ),
  ...readEntries(
    'Cards and papers',
    `
    note-paper | Sticky note, square | sheet | l76(75-77) b76(75-77) w0.1(0.08-0.11) | paper | 0 | 80 | none | | #E5B94E | |
    a4-paper | Paper, A4 | sheet | l297(295-299) b210(208.5-211.5) w0.1(0.09-0.11) | paper | 0 | 80 | none | | #F6F3EA | | size mass: ISO 216; ISO 536 for 80 g/m²
    a4-card | Card, A4 | sheet | l297(295-299) b210(208.5-211.5) w0.25(0.2-0.35) | card | 0 | 200 | wipe | | #E4DCC8 | | size: ISO 216
    a5-card | Card, A5 | sheet | l210(208.5-211.5) b148(146.5-149.5) w0.25(0.2-0.35) | card | 0 | 200 | wipe | | #DCE5D6 | | size: ISO 216
    a6-card | Card, A6 | sheet | l148(146.5-149.5) b105(103.5-106.5) w0.3(0.2-0.4) | card | 0 | 250 | wipe | | #E9D7CF | | size: ISO 216
    a3-paper | Sugar paper, A3 | sheet | l420(418-422) b297(295-299) w0.15(0.12-0.2) | paper | 0 | 100 | none | | #7FA39A | | size: ISO 216
    letter-paper | Paper, Letter | sheet | l279.4(278-281) b215.9(214-217) w0.1(0.09-0.11) | paper | 0 | 75 | none | | #F6F3EA | | size: ANSI/ASME Y14.1
    plastic-card | Used plastic card | sheet | l85.6(85.47-85.72) b53.98(53.92-54.03) w0.76(0.68-0.84) | plastic | 0 | 1150 | wash | | #3E6C8E | | size: ISO/IEC 7810, ID-1
    playing-card | Playing card | sheet | l88.9(88-89) b63.5(57-64) w0.3(0.25-0.32) | card | 0 | 310 | wipe | | #E9E4DA | |
    index-card | Index card, 5 × 3 in | sheet | l127(126-128) b76.2(75-77) w0.22(0.18-0.28) | card | 0 | 190 | none | | #EDE9DC | |
    envelope-dl | Envelope, DL | sheet | l220(218-222) b110(108-112) w0.3(0.2-0.4) | paper | 0 | 170 | none | | #EFEDE4 | | size: ISO 269
    tissue-paper | Tissue paper | sheet | l750(500-760) b500(350-510) w0.04(0.03-0.05) | paper | 30 | 17 | none | | #D98E9A | |
    magazine-page | Magazine page | sheet | l285(275-300) b215(205-225) w0.07(0.05-0.1) | paper | 0 | 70 | none | | #B7C2C7 | |
    `,
  ),
  ...readEntries(
    'Tapes and glues',
    `
    kitchen-foil | Kitchen foil /m | consumable | b300(290-450) | metal | 0 | 12 | none | | #C9D0D2 | |
    masking-tape | Masking tape /m | consumable | b25(18-50) | tape | 0 | 3 | none | | #E3CE9B | |
    cloth-tape | Cloth tape /m | consumable | b48(25-50) | tape | 0 | 12 | none | | #53625F | |
    paper-tape | Surgical paper tape /m | consumable | b25(12-25) | tape | 0 | 1.5 | none | | #F2EDE0 | |
    clear-tape | Clear tape /m | consumable | b19(12-24) | tape | 0 | 1 | none | sharp edge | #DCE6E8 | |
    craft-glue | Craft glue, bottle | consumable | l60(50-70) b130(110-180) | glue | 0 | 120 | none | | #F6F3EA | |
    glue-stick | Glue stick | consumable | l24(20-30) b95(85-115) | glue | 0 | 21 | none | | #C9837A | |
    zip-bag | Zip bag, 1 l | consumable | l180(165-200) b200(170-220) | plastic | 0 | 4 | wash | | #DCE6E8 | |
    laminate | Laminating pouch, A4 | consumable | l303(300-305) b216(214-218) | plastic | 0 | 15 | wipe | | #E6EDF0 | |
    sticker | Sticker, round | consumable | l19(12-30) b19(12-30) w0.1(0.08-0.15) | paper | 0 | 0.05 | none | | #E5B94E | |
    staples | Staples, box of 1,000 | consumable | l110(80-115) b30(25-35) | metal | 0 | 33 | none | sharp edge | #A9ADAA | |
    ready-paint | Ready-mixed paint, bottle | consumable | | paint | 0 | 300 | none | | #2C5F8A | |
    `,
  ),
  ...readEntries(
    'Balls',
    `
    tennis-ball | Tennis ball, used | ball | d67(65.4-68.6) | rubber | 10 | 57.7 | wipe | | #C5D147 | | size mass: Rules of Tennis, appendix I
    table-ball | Table-tennis ball | ball | d40(40-40.6) | plastic | 5 | 2.7 | wash | | #F4F0E4 | | size mass: laws of table tennis 2.3?
    golf-ball | Golf ball | ball | d42.7(42.67-42.8) | plastic | 0 | 45.9 | wash | | #F6F6F0 | | size mass: rules of golf, 42.67 mm least?
    bouncy-ball | Bouncy ball | ball | d27(25-32) | rubber | 10 | 12 | wash | | #A3455F | |
    pit-ball | Ball-pit ball | ball | d65(55-80) | plastic | 30 | 7 | wash | | #3E7CB1 | |
    foil-ball | Foil ball, pressed | ball | d45(30-60) | metal | 10 | 8 | none | sharp edge | #A9ADAA | |
    `,
  ),
  ...readEntries(
    'Fabrics',
    `
    felt-sheet | Felt sheet | sheet | l300(200-300) b200(200-300) w1.2(1-3) | fabric | 20 | 180 | wash | | #7C4F6A | |
    scarf | Thin scarf | sheet | l600(500-700) b600(500-700) w0.2(0.1-0.3) | fabric | 50 | 40 | wash | | #6A8CAF | |
    denim | Denim patch | sheet | l200(150-300) b150(100-250) w0.9(0.7-1.1) | fabric | 10 | 400 | wash | | #3B5878 | |
    towel-cut | Towelling cut | sheet | l250(200-400) b200(150-300) w3(2-4) | fabric | 30 | 420 | wash | | #C9B79A | |
    burlap | Sacking | sheet | l300(200-500) b200(150-400) w1.2(1-1.5) | fabric | 20 | 310 | rest | | #B8935A | |
    net-bag | Fruit net | sheet | l300(250-400) b180(150-220) w0.8(0.5-1) | plastic | 40 | 30 | wash | | #C2703D | |
    `,
  ),
  ...readEntries(
    'Natural finds',
    `
    fir-cone | Fir cone | egg | l80(50-120) b45(30-60) h45(30-60) | wood | 0 | 22 | rest | splinters | #7A5A3A | |
    acorn | Acorn | egg | l28(20-35) b18(14-20) h18(14-20) | wood | 0 | 5 | rest | toxic | #8A6A3C | |
    conker | Horse chestnut | ball | d32(25-40) | wood | 0 | 14 | rest | toxic | #5E3A22 | |
    shell | Cockle shell | egg | l38(25-50) b34(22-45) h15(10-20) | stone | 0 | 6 | wash | sharp edge | #D9CBB4 | |
    twig | Willow twig | rod | d8(5-12) l250(150-400) | wood | 5 | 9 | rest | splinters | #6B5A3E | |
    log-slice | Log slice | disc | d70(50-100) h10(8-15) w10(8-15) | wood | 0 | 24 | rest | splinters | #B08A58 | |
    `,
  ),
  // Named so that a stem on the shelf is known for what it is; which plants never come near children is a list of its own.
  ...readEntries(
    'Plants',
    `
    lavender-stem | Lavender stem | rod | d2(1.5-3) l250(150-350) | plant | 10 | 1 | none | closed 365 days | #8B84A8 | |
    rosemary-sprig | Rosemary sprig | rod | d3(2-4) l150(100-200) | plant | 10 | 2 | none | closed 365 days | #5F7A5A | |
    mint-stem | Mint stem | rod | d3(2-4) l200(100-300) | plant | 15 | 2 | none | closed 5 days | #5E9A5A | |
    willow-rod | Willow rod, thin | rod | d4(3-6) l400(250-600) | plant | 10 | 4 | none | closed 365 days | #8A7A45 | |
    wheat-straw | Wheat straw, dried | rod | d3(2-4) l300(200-400) | plant | 10 | 0.5 | none | gluten, closed 365 days | #D9C37E | |
    ivy-runner | Ivy runner | rod | d3(2-5) l400(200-800) | plant | 15 | 3 | none | toxic, closed 5 days | #3F6B45 | |
    `,
  ),
];
