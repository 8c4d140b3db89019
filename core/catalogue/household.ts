import { readEntries, type CatalogueEntry } from './entry.ts';

/** What kitchens and bathrooms throw away. Each line as readEntry has it; lengths in mm, mass in g. */
export const HOUSEHOLD: readonly CatalogueEntry[] = [
  ...readEntries(
    'Tubes',
    `
    toilet-tube | Toilet-roll tube | tube | d44(38-48) l100(93-115) w0.6(0.4-0.8) | card | 10 | 4.5 | rest | | #C8A877 | |
    kitchen-tube | Kitchen-roll tube | tube | d44(40-50) l230(220-280) w0.6(0.5-0.9) | card | 10 | 11 | rest | | #BFA070 | |
    foil-tube | Foil-roll tube | tube | d32(28-36) l300(295-450) w1(0.8-1.4) | card | 0 | 30 | wipe | | #C9AE82 | |
    parcel-tube | Posting tube | tube | d60(50-100) l430(330-650) w2(1.5-2.5) | card | 0 | 120 | wipe | | #A98B5D | |
    gift-tube | Gift-wrap tube | tube | d42(35-50) l700(500-1000) w1(0.8-1.5) | card | 0 | 75 | rest | | #D2B78C | |
    crisp-tube | Crisp tube with lid | container | d75(70-80) h230(130-260) w0.7(0.5-1) | card | 0 | 38 | wipe | | #B4853E | 1 crisp-lid |
    hose-cut | Garden-hose cut | tube | d19(15-25) l40(20-60) w3(2-3.5) | plastic | 15 | 9 | wash | | #3E7C4F | |
    `,
  ),
  ...readEntries(
    'Boxes and panels',
    `
    cereal-box | Cereal box | container | l190(180-250) b60(50-80) h290(250-350) w0.5(0.4-0.6) | card | 0 | 75 | wipe | | #C9A36A | 2 cereal-panel, 2 cereal-side |
    cereal-panel | Cereal-box panel | sheet | l290(250-350) b190(180-250) w0.5(0.4-0.6) | card | 0 | 350 | wipe | | #CDB382 | |
    cereal-side | Cereal-box side strip | sheet | l290(250-350) b60(50-80) w0.5(0.4-0.6) | card | 0 | 350 | wipe | | #CDB382 | |
    shoe-box | Shoe box with lid | container | l320(280-350) b190(160-220) h115(90-130) w1.5(1-2) | card | 0 | 280 | wipe | | #9A7B52 | |
    tissue-box | Tissue box | container | l230(215-240) b115(110-125) h75(50-120) w0.5(0.4-0.6) | card | 0 | 60 | wipe | | #8FA7B8 | |
    parcel-panel | Corrugated panel | sheet | l400(200-600) b300(200-400) w3(2-4) | card | 5 | 550 | wipe | | #B8935A | |
    tea-box | Tea box | container | l125(110-160) b75(65-90) h125(80-140) w0.4(0.4-0.5) | card | 0 | 30 | wipe | | #7C9A6A | |
    cheese-box | Round cheese box, wooden | container | d110(100-120) h28(25-35) w1.5(1-2) | wood | 0 | 22 | wipe | milk, splinters | #C7A878 | |
    matchbox | Match box, empty | container | l53(50-58) b36(33-38) h14(12-17) w0.5(0.4-0.6) | card | 0 | 4 | wipe | | #A9473B | |
    `,
  ),
  ...readEntries(
    'Cartons',
    `
    egg-carton | Egg carton, six | container | l155(150-165) b105(100-110) h65(60-70) w1.5(1-2) | card | 10 | 26 | rest | egg | #9AA39B | 6 egg-cup |
    egg-cup | Egg-carton cup | block | l45(42-50) b45(42-50) h40(35-45) | card | 10 | 3 | rest | egg | #9AA39B | |
    milk-carton | Milk carton, 1 l | container | l70(70-71) b70(70-71) h195(190-235) w0.6(0.5-0.7) | card | 0 | 30 | wash | milk | #E4E2D8 | 1 carton-cap |
    carton-cap | Carton screw cap | disc | d31(28-35) h12(10-15) w1.3(1-1.6) | plastic | 0 | 2.2 | wash | | #2C6A3E | |
    juice-carton | Juice carton, small | container | l48(45-52) b37(35-40) h118(105-125) w0.5(0.4-0.6) | card | 0 | 9 | wash | | #D98E3C | |
    cream-carton | Cream carton | container | d70(65-76) h75(65-90) w0.8(0.6-1) | card | 0 | 9 | wash | milk | #E9E8DF | |
    `,
  ),
  ...readEntries(
    'Tubs and lids',
    `
    yogurt-tub | Yogurt tub, 500 g | container | d95(90-100) h110(105-125) w0.6(0.5-0.9) | plastic | 0 | 17 | wash | milk | #E9E8DF | 1 yogurt-lid |
    yogurt-lid | Yogurt-tub lid | disc | d98(92-103) h8(6-10) w0.5(0.4-0.7) | plastic | 0 | 6 | wash | milk | #DDE5EA | |
    yogurt-pot | Yogurt pot, small | container | d70(63-75) h75(65-85) w0.4(0.3-0.5) | plastic | 10 | 5 | wash | milk | #F2EFE6 | |
    spread-tub | Spread tub with lid | container | l135(120-150) b95(85-110) h60(50-75) w0.9(0.7-1.1) | plastic | 0 | 26 | wash | milk | #E8CF6C | |
    ice-tub | Ice-cream tub, 1 l | container | l170(160-190) b115(105-125) h75(65-95) w0.9(0.7-1.2) | plastic | 0 | 42 | wash | milk | #BBD3DC | |
    formula-tin | Milk-powder tin with lid | container | d127(100-130) h160(130-175) w0.3(0.2-0.4) | metal | 0 | 150 | wash | milk, sharp edge | #8FA3AD | 1 formula-lid |
    formula-lid | Milk-powder tin lid | disc | d130(102-133) h12(10-16) w1(0.8-1.3) | plastic | 0 | 16 | wash | milk | #D7DDE0 | |
    coffee-lid | Coffee-tin lid | disc | d101(98-105) h9(8-12) w1(0.8-1.2) | plastic | 0 | 9 | wash | | #53625F | |
    crisp-lid | Crisp-tube lid | disc | d77(72-82) h9(7-11) w0.8(0.6-1) | plastic | 5 | 4 | wash | | #E6E6E0 | |
    wipes-tub | Wipes tub, flip lid | container | d105(95-115) h190(170-205) w1.2(1-1.5) | plastic | 0 | 85 | wash | | #C7D8CF | |
    spice-jar | Spice jar, shaker top | container | d45(42-52) h95(85-105) w1.3(1-1.6) | plastic | 0 | 22 | wash | | #A87C4B | |
    snack-pot | Fruit pot, clear | container | d85(80-92) h55(45-65) w0.5(0.4-0.7) | plastic | 5 | 7 | wash | | #EFE6C8 | |
    takeaway-box | Take-away box with lid | container | l172(165-180) b120(115-125) h55(38-75) w0.8(0.6-1) | plastic | 0 | 34 | wash | | #DADBD4 | |
    jar-lid | Jam-jar lid, plastic | disc | d68(63-82) h12(10-15) w1.2(1-1.5) | plastic | 0 | 8 | wash | | #2C6A3E | |
    jar-lid-metal | Jam-jar lid, metal | disc | d66(63-82) h10(9-12) w0.2(0.15-0.25) | metal | 0 | 9 | wash | loose liner, sharp edge | #B9B4A0 | |
    `,
  ),
  ...readEntries(
    'Caps and corks',
    `
    milk-cap | Milk-bottle cap | disc | d38(36-40) h14(12-17) w1.4(1-1.6) | plastic | 0 | 3 | wash | loose liner | #B0451A | |
    juice-cap | Juice-bottle cap | disc | d38(36-40) h16(14-18) w1.5(1.2-1.8) | plastic | 0 | 3.4 | wash | | #2C5F8A | |
    water-cap | Water-bottle cap, 28 mm | disc | d30(29-31) h15(10-21) w1.3(1-1.6) | plastic | 0 | 2 | wash | | #3E7CB1 | | size: ISBT PCO 1881 neck?
    sport-cap | Sports-bottle cap | disc | d32(30-38) h40(35-45) w1.5(1.2-2) | plastic | 0 | 6 | wash | | #A3455F | |
    pump-cap | Soap-pump collar | disc | d34(31-40) h17(15-20) w1.5(1.2-2) | plastic | 0 | 4 | wash | | #DDE5EA | |
    dose-cap | Detergent dosing cap | disc | d61(55-70) h40(30-55) w1.6(1.3-2) | plastic | 0 | 15 | wash | toxic | #3E7CB1 | |
    paste-cap | Toothpaste cap, flip | disc | d30(25-38) h30(25-38) w1.2(1-1.5) | plastic | 0 | 4 | wash | | #E6EDF0 | |
    pouch-cap | Food-pouch cap | disc | d30(28-33) h18(15-21) w1.2(1-1.5) | plastic | 0 | 1.6 | wash | | #7FB069 | |
    wine-cork | Bottle cork | rod | d24(22-25) l44(38-49) | cork | 5 | 3.5 | wipe | | #C79A63 | | size: CETIE 18.5 mm bore, 24 mm stopper?
    wide-cork | Stopper cork, wide | rod | d31(29-32) l48(46-50) | cork | 5 | 9 | wipe | | #B98A55 | |
    bung | Rubber bung | cone | d38(30-45) h30(25-35) | rubber | 10 | 30 | wash | | #7A3B3B | |
    `,
  ),
  ...readEntries(
    'Bottles and jugs',
    `
    jug-sheet | Milk-jug panel, curved | sheet | l180(150-220) b120(100-150) w0.6(0.4-0.9) d140(120-180) | plastic | 10 | 570 | wash | milk, sharp edge | #EFEDE4 | |
    water-bottle | Water bottle, 500 ml | container | d65(60-68) h205(190-230) w0.3(0.2-0.35) | plastic | 20 | 12 | wash | | #CFE3EC | 1 bottle-sheet, 1 water-cap |
    bottle-sheet | Water-bottle side, curved | sheet | l200(185-215) b110(90-130) w0.3(0.2-0.35) d65(60-68) | plastic | 30 | 400 | wash | sharp edge | #CFE3EC | |
    big-bottle-sheet | Large-bottle side, curved | sheet | l270(250-290) b180(150-200) w0.35(0.25-0.4) d88(80-95) | plastic | 25 | 460 | wash | sharp edge | #D7E7DF | |
    milk-jug | Milk jug, 2 l | container | l125(110-130) b100(95-110) h255(240-275) w0.6(0.4-0.9) | plastic | 15 | 38 | wash | milk | #EFEDE4 | 2 jug-sheet, 1 milk-cap |
    shampoo-bottle | Shampoo bottle | container | l75(65-90) b45(40-55) h190(170-220) w0.9(0.7-1.2) | plastic | 10 | 32 | wash | | #A8C0B0 | 1 paste-cap |
    bottle-ring | Bottle ring, cut | tube | d65(60-68) l20(10-40) w0.3(0.2-0.35) | plastic | 20 | 1.2 | wash | sharp edge | #CFE3EC | |
    `,
  ),
  ...readEntries(
    'Cups with sip lids',
    `
    sip-cup | Paper cup, 350 ml | container | d90(80-90) h110(92-135) w0.5(0.4-0.6) | card | 0 | 11 | rest | | #D9C4A0 | |
    sip-lid | Sip lid for a paper cup | disc | d92(82-93) h18(15-22) w0.5(0.4-0.6) | plastic | 10 | 3.5 | wash | | #3A3A38 | |
    cold-cup | Clear cold cup | container | d95(90-98) h105(95-150) w0.4(0.3-0.5) | plastic | 10 | 13 | wash | | #DDE9EC | |
    dome-lid | Domed lid, straw hole | disc | d98(92-100) h40(35-45) w0.4(0.3-0.5) | plastic | 10 | 4 | wash | | #DDE9EC | |
    party-cup | Paper party cup | container | d72(70-75) h80(75-95) w0.3(0.25-0.4) | paper | 10 | 5 | none | | #C9837A | |
    `,
  ),
  ...readEntries(
    'Kitchen tools',
    `
    paper-plate | Paper plate | disc | d230(180-260) h18(12-25) w0.6(0.4-0.8) | card | 0 | 10 | none | | #F3EFE4 | |
    tongs | Kitchen tongs, small | block | l180(160-230) b35(25-45) h30(20-40) | metal | 0 | 70 | wash | grips when squeezed | #9AA5A6 | |
    tea-ball | Tea infuser | ball | d45(40-50) | metal | 0 | 30 | wash | | #A7ADAA | |
    spoon | Wooden spoon | rod | d12(10-14) l250(200-300) | wood | 0 | 28 | wash | splinters | #B88A55 | |
    scoop | Measuring scoop | block | l105(80-130) b38(30-45) h28(20-32) | plastic | 0 | 7 | wash | | #D7DDE0 | |
    colander | Small colander | container | d180(150-220) h75(60-100) w1.5(1-2) | plastic | 0 | 140 | wash | | #5E8C61 | |
    muffin-tray | Muffin tray, six | container | l265(260-280) b180(175-190) h30(25-35) w0.6(0.5-0.8) | metal | 0 | 260 | wash | | #6F7B7D | |
    ice-tray | Ice-cube tray | container | l260(220-280) b110(90-120) h32(25-40) w1.4(1-1.8) | plastic | 5 | 75 | wash | | #9CC3D5 | |
    whisk | Balloon whisk | rod | d50(40-60) l200(180-250) | metal | 15 | 60 | wash | cage of wires | #9AA5A6 | |
    `,
  ),
];
