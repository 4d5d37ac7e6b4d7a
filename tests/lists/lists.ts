/**
 * Input lists as different people keep them, made up. `means` says what each row is, in order: the kind of its source and its
 * inlets (`kind@1`, `kind@1+2`), `-` for a row that is no line, `?` for one that nobody can know without asking.
 */
export interface List {
  habit: string;
  text: string;
  means: string;
}

const D = 'moving-coil';
const S = 'condenser-9-52';
const L = 'condenser-48';
const R = 'passive-ribbon';
const LAV = 'plug-in-electret';
const LINE = 'line-output';
const PIEZO = 'piezo-pickup';
const GUN = 'battery-or-phantom-condenser';
const RX = 'wireless-receiver';

const tabs = (text: string): string => text.replaceAll(' | ', '\t');

export const LISTS: readonly List[] = [
  {
    habit: 'plain commas, the usual headings',
    text: 'Ch,Instrument,Mic/DI,48V,Stand,Notes\n1,Violin,SDC,yes,tall boom,close\n2,Cello,ribbon,no,short boom,\n3,Electric piano,DI,,,left only\n4,Announcer,dynamic,no,round base,on the quay',
    means: `${S}@1 ${R}@2 ${LINE}@3 ${D}@4`,
  },
  {
    habit: 'tabs from a spreadsheet',
    text: tabs(
      'Input | Source | Mic | Phantom | Stand\n1 | Trio left | small condenser | x | boom\n2 | Trio right | small condenser | x | boom\n3 | Singer | large condenser | x | straight',
    ),
    means: `${S}@1 ${S}@2 ${L}@3`,
  },
  {
    habit: 'semicolons and decimal commas',
    text: 'Ch;Name;Mic;Cable (m)\n1;Announcer;dynamic;7,5\n2;Guide;lavalier;2,5',
    means: `${D}@1 ${LAV}@2`,
  },
  {
    habit: 'title and date over the headings',
    text: 'Meadowlark - Saturday,,,\nInput list v3,,,\n,,,\nCh,Name,Mic,48V\n1,Viola,SDC,+48\n2,Bass,DI,',
    means: `${S}@1 magnetic-pickup@2`,
  },
  {
    habit: 'pairs in one row',
    text: 'Ch,Name,Mic,48v\nCh 1-2,Trio,2x SDC,x\n3-4,Ambience L/R,ribbon,\n5,Announcer,dyn,',
    means: `${S}@1+2 ${R}@3+4 ${D}@5`,
  },
  {
    habit: 'pairs with a slash, a plus, an ampersand',
    text: 'CH,NAME,MIC\n1/2,Trio,SDC\n3+4,Keys,DI\n5 & 6,Audience,ribbon',
    means: `${S}@1+2 ${LINE}@3+4 ${R}@5+6`,
  },
  {
    habit: 'a spreadsheet took 1-2 for a day',
    text: 'Ch,Name,Mic\n1-Feb,Trio,SDC\n03-Apr,Room,ribbon\n5,Announcer,dynamic',
    means: `${S}@1+2 ${R}@3+4 ${D}@5`,
  },
  {
    habit: '48 V as x, yes, +48, a tick, phantom, on',
    text: 'Ch,Name,Mic,48v\n1,Violin,SDC,x\n2,Viola,SDC,yes\n3,Cello,SDC,+48\n4,Piano top,SDC,✓\n5,Piano low,SDC,phantom\n6,Room,SDC,on\n7,Announcer,dynamic,no\n8,Host,dynamic,-',
    means: `${S}@1 ${S}@2 ${S}@3 ${S}@4 ${S}@5 ${S}@6 ${D}@7 ${D}@8`,
  },
  {
    habit: 'feet',
    text: "Channel,Who,Microphone,Cable\n1,Announcer,dynamic,50 ft\n2,Guide,shotgun,25'\n3,Keeper,dynamic,100 feet",
    means: `${D}@1 ${GUN}@2 ${D}@3`,
  },
  {
    habit: 'two microphones in a cell',
    text: 'Ch,Instrument,Mic\n1-2,Cello,SDC + ribbon\n3,Double bass,LDC / DI\n4,Singer,large condenser or dynamic',
    means: `${S}@1+2 ${L}@3 ${L}@4`,
  },
  {
    habit: 'spare channels kept',
    text: 'Ch,Name,Mic\n1,Violin,SDC\n2,spare,\n3,SPARE,-\n4,Announcer,dynamic\n5,—,',
    means: `${S}@1 - - ${D}@4 -`,
  },
  {
    habit: 'sections between the rows',
    text: 'Ch,Name,Mic\nHOLD,,\n1,Violin,SDC\n2,Cello,SDC\nWHEELHOUSE,,\n3,Keeper,dynamic\n4,Host,dynamic',
    means: `- ${S}@1 ${S}@2 - ${D}@3 ${D}@4`,
  },
  {
    habit: 'a total and a signature at the end',
    text: 'Ch,Name,Mic\n1,Violin,SDC\n2,Announcer,dynamic\n,,\nTotal 2 inputs,,\nsubject to change,,',
    means: `${S}@1 ${D}@2 - -`,
  },
  {
    habit: 'no headings at all',
    text: '1,Violin,SDC\n2,Viola,SDC\n3,Cello,ribbon\n4,Announcer,dynamic',
    means: `${S}@1 ${S}@2 ${R}@3 ${D}@4`,
  },
  {
    habit: 'no numbers',
    text: 'Instrument,Mic,48V\nViolin,small condenser,yes\nCello,ribbon,no\nHost,dynamic,no',
    means: `${S}@1 ${R}@2 ${D}@3`,
  },
  {
    habit: 'a message, numbered',
    text: '1. Announcer - dynamic\n2. Violin - SDC +48\n3. Cello - ribbon\n4. Keys - DI',
    means: `${D}@1 ${S}@2 ${R}@3 ${LINE}@4`,
  },
  {
    habit: 'a message with colons',
    text: 'Ch 1: announcer, dynamic, 10 m\nCh 2: violin, SDC, 48V\nCh 3: guide, wireless',
    means: `${D}@1 ${S}@2 ${RX}@3`,
  },
  {
    habit: 'a message with brackets',
    text: '1) Violin (SDC, 48V)\n2) Viola (SDC, 48V)\n3) Bass (DI)\n4) Laptop (DI)',
    means: `${S}@1 ${S}@2 magnetic-pickup@3 ${LINE}@4`,
  },
  {
    habit: 'a message in one line',
    text: '1 announcer - dynamic; 2 violin - SDC; 3 cello - ribbon',
    means: `${D}@1 ${S}@2 ${R}@3`,
  },
  {
    habit: 'with bullets',
    text: '- 1 Announcer: dynamic\n- 2 Guide: shotgun\n- 3 Sluice: hydrophone',
    means: `${D}@1 ${GUN}@2 ${PIEZO}@3`,
  },
  {
    habit: 'bars as in a text table',
    text: '| Ch | Name | Mic | 48V |\n|----|------|-----|-----|\n| 1 | Violin | SDC | x |\n| 2 | Announcer | dynamic | |',
    means: `${S}@1 ${D}@2`,
  },
  {
    habit: 'shouted',
    text: 'CH,SOURCE,MICROPHONE,PHANTOM\n1,VIOLIN,SMALL CONDENSER,YES\n2,ANNOUNCER,DYNAMIC,NO\n3,LAPTOP,DI,NO',
    means: `${S}@1 ${D}@2 ${LINE}@3`,
  },
  {
    habit: 'a device and an inlet in columns of their own',
    text: 'Name,Mic,Device,Inlet\nKeeper,dynamic,Bag recorder,1\nHost,dynamic,Bag recorder,2\nSinger,large condenser,Stream interface,1',
    means: `${D}@1 ${D}@2 ${L}@1`,
  },
  {
    habit: 'patched in words',
    text: 'Ch,Name,Mic,Patch\n1,Violin,SDC,Desk 9\n2,Viola,SDC,Desk 10\n3,Keeper,dynamic,Bag 2',
    means: `${S}@9 ${S}@10 ${D}@2`,
  },
  {
    habit: 'a stage box that the rig does not have',
    text: 'Ch,Name,Mic,Stage box\n1,Violin,SDC,A3\n2,Cello,SDC,B1',
    means: `${S}@1 ${S}@2`,
  },
  {
    habit: 'what lies between',
    text: 'Ch,Name,Mic,Via\n1,Cello,ribbon,booster > 10 m\n2,Announcer,dynamic,20 m\n3,Piano,keyboard,3 m > stereo DI',
    means: `${R}@1 ${D}@2 ${LINE}@3`,
  },
  {
    habit: 'a position of the source',
    text: 'Ch,Name,Mic,Position\n1,Violin,SDC,Hold\n2,Keeper,dynamic,Wheelhouse\n3,Sluice,hydrophone,Under the hull',
    means: `${S}@1 ${D}@2 ${PIEZO}@3`,
  },
  {
    habit: 'columns that nobody needs here',
    text: 'Ch,Colour,Name,Mic,Insert,Group,Gain\n1,red,Violin,SDC,comp,A,30\n2,blue,Announcer,dynamic,gate,B,45',
    means: `${S}@1 ${D}@2`,
  },
  {
    habit: 'adjectives around the microphone',
    text: 'Ch,Name,Mic\n1,Violin,small condenser on tall boom\n2,Announcer,handheld dynamic with clip\n3,Singer,large condenser (house)',
    means: `${S}@1 ${D}@2 ${L}@3`,
  },
  {
    habit: 'short words of the trade',
    text: 'Ch,Src,Mic\n1,Vln,SDC\n2,Vox,dyn\n3,Gtr,lav\n4,Room,LDC\n5,FX,rbn',
    means: `${S}@1 ${D}@2 ${LAV}@3 ${L}@4 ${R}@5`,
  },
  {
    habit: 'the microphone is in the name',
    text: 'Ch,Name\n1,Announcer dynamic\n2,Violin SDC\n3,Guide wireless\n4,Laptop left',
    means: `${D}@1 ${S}@2 ${RX}@3 ${LINE}@4`,
  },
  {
    habit: 'nothing says what picks it up',
    text: 'Ch,Name,Mic\n1,Violin,SDC\n2,Visitor,\n3,Announcer,dynamic\n4,Host,dynamic\n5,Cello,ribbon\n6,Guide,lav\n7,Viola,SDC\n8,Room,LDC\n9,Pump room,SDC\n10,Bow,SDC',
    means: `${S}@1 ? ${D}@3 ${D}@4 ${R}@5 ${LAV}@6 ${S}@7 ${L}@8 ${S}@9 ${S}@10`,
  },
  {
    habit: 'words in quotes, with commas and line breaks in cells',
    text: 'Ch,Name,Mic,Notes\n1,"Violin, first",SDC,"close,\nunder the hatch"\n2,Announcer,dynamic,"says ""hello"""',
    means: `${S}@1 ${D}@2`,
  },
  {
    habit: 'a byte order mark and Windows line ends',
    text: '\uFEFFCh,Name,Mic\r\n1,Violin,SDC\r\n2,Announcer,dynamic\r\n',
    means: `${S}@1 ${D}@2`,
  },
  {
    habit: 'numbers with zeros and points',
    text: 'No.;Name;Mic\n01;Violin;SDC\n02;Viola;SDC\n3.0;Announcer;dynamic',
    means: `${S}@1 ${S}@2 ${D}@3`,
  },
  {
    habit: 'starts at nine',
    text: 'Ch,Name,Mic\n9,Announcer,dynamic\n10,Guide,lavalier\n11,Room left,ribbon\n12,Room right,ribbon',
    means: `${D}@9 ${LAV}@10 ${R}@11 ${R}@12`,
  },
  {
    habit: 'out of order, with gaps',
    text: 'Ch,Name,Mic\n12,Announcer,dynamic\n3,Violin,SDC\n7,Cello,ribbon',
    means: `${D}@12 ${S}@3 ${R}@7`,
  },
  {
    habit: 'more numbers than the desk has',
    text: 'Ch,Name,Mic\n15,Violin,SDC\n16,Viola,SDC\n17,Cello,SDC\n18,Announcer,dynamic',
    means: `${S}@15 ${S}@16 ${S}@1 ${D}@2`,
  },
  {
    habit: 'the same channel twice',
    text: 'Ch,Name,Mic\n1,Violin,SDC\n1,Viola,SDC\n2,Cello,ribbon',
    means: `${S}@1 ${S}@2 ${R}@3`,
  },
  {
    habit: '48 V among other words',
    text: 'Ch,Name,Mic\n1,Violin,SDC +48\n2,Viola,SDC (48V)\n3,Cello,ribbon no phantom\n4,Singer,large condenser phantom',
    means: `${S}@1 ${S}@2 ${R}@3 ${L}@4`,
  },
  {
    habit: 'boxes in the microphone column',
    text: 'Ch,Name,Mic/DI\n1,Double bass,active DI\n2,Electric piano,stereo DI\n3,Laptop,DI\n4,Electric guitar,passive DI',
    means: `${PIEZO}@1 ${LINE}@2 ${LINE}@3 magnetic-pickup@4`,
  },
  {
    habit: 'two heading rows',
    text: 'Saturday,,,Microphone,\nCh,Name,Stand,Type,48V\n1,Violin,tall,SDC,x\n2,Announcer,desk,dynamic,',
    means: `${S}@1 ${D}@2`,
  },
  {
    habit: 'film bag',
    text: 'Track,Who,Mic,Power\n1,Boom,shotgun,48V\n2,Keeper,wireless,no\n3,Guide,wireless,no\n4,Camera,on-camera,no',
    means: `${GUN}@1 ${RX}@2 ${RX}@3 ${LAV}@4`,
  },
  {
    habit: 'podcast',
    text: 'Input,Voice,Mic\n1,Host,dynamic\n2,Keeper,dynamic\n3,Guest,dynamic\n4,Jingles,laptop',
    means: `${D}@1 ${D}@2 ${D}@3 ${LINE}@4`,
  },
  {
    habit: 'counts before the microphone',
    text: 'Ch,Name,Mic\n1-2,Overheads,pair of SDC\n3-4,Room,2 x ribbon\n5,Announcer,1x dynamic',
    means: `${S}@1+2 ${R}@3+4 ${D}@5`,
  },
  {
    habit: 'empty rows and columns between',
    text: ',Ch,,Name,,Mic,\n,1,,Violin,,SDC,\n,,,,,,\n,2,,Cello,,ribbon,\n,,,,,,\n,3,,Host,,dynamic,',
    means: `${S}@1 ${R}@2 ${D}@3`,
  },
  {
    habit: 'the tube microphone and old film microphones',
    text: 'Ch,Name,Mic,48V\n1,Singer,tube,own supply\n2,Sluice,T12 shotgun,no\n3,Room,active ribbon,yes',
    means: `valve-own-supply@1 condenser-t12@2 active-ribbon@3`,
  },
  {
    habit: 'left and right in rows of their own',
    text: 'Ch,Name,Mic,48V,Note\n1,Keys L,DI,,stereo out\n2,Keys R,DI,,stereo out\n3,Playback L,DI,,laptop\n4,Playback R,DI,,laptop',
    means: `${LINE}@1 ${LINE}@2 ${LINE}@3 ${LINE}@4`,
  },
  {
    habit: 'cells that a spreadsheet takes for formulas',
    text: 'Ch,Name,Mic,Note\n1,=Violin,SDC,+close\n2,-Host,dynamic,@door',
    means: `${S}@1 ${D}@2`,
  },
  {
    habit: 'headings with units and brackets',
    text: 'Ch. (desk),Instrument / person,Mic or DI,Phantom (48V)?,Cable (ft),Stand (size)\n1,Violin,SDC,x,30,tall\n2,Announcer,dynamic,,50,desk',
    means: `${S}@1 ${D}@2`,
  },
  {
    habit: 'names of the kit',
    text: 'Ch,Name,Mic\n1,Trio left,"small condenser, left"\n2,Trio right,"small condenser, right"\n3,Cello,"ribbon, left"',
    means: `${S}@1 ${S}@2 ${R}@3`,
  },
  {
    habit: 'everything in one column',
    text: 'Inputs\n1 Violin - SDC\n2 Cello - ribbon\n3 Announcer - dynamic',
    means: `- ${S}@1 ${R}@2 ${D}@3`,
  },
  {
    habit: 'headings in another language',
    text: 'INPUT LIST;;;;\n#;Instrument;Micro;Phantom;Pied\n1;Violon;SDC;oui;grand\n2;Annonce;dynamic;non;table',
    means: `${S}@1 ${D}@2`,
  },
  {
    habit: 'what it is in brackets, acoustic guitar, tracks',
    text: 'Chan\tDesc\tMic/Line\tPh\n1\tLead vox\tDynamic hand-held\tN\n2\tVoice\tDynamic\tN\n3\tAc. guitar\tDI (active)\tY\n4\tTracks L\tLine\tN\n5\tTracks R\tLine\tN',
    means: `${D}@1 ${D}@2 ${PIEZO}@3 ${LINE}@4 ${LINE}@5`,
  },
  {
    habit: 'a message with a greeting, and ditto',
    text: 'Hi! For Saturday:\n1 - announcer - dynamic mic\n2 - violin - small diaphragm condenser (48v)\n3 - cello - same\n4 - keys left - DI\nthanks!',
    means: `- ${D}@1 ${S}@2 ${S}@3 ${LINE}@4 -`,
  },
  {
    habit: 'the microphone under “Type”',
    text: 'Input;Source;Type;Power\nA1;Violin;condenser;48V\nA2;Ribbon spot;ribbon;none\nA3;Talkback;dynamic;none',
    means: `${S}@1 ${R}@2 ${D}@3`,
  },
  {
    habit: 'columns in no order, questions in the headings',
    text: 'Name,Input #,Microphone,Stand?,P48?\nKeeper,5,Dynamic,short,0\nVisitor,6,Condenser,tall,1',
    means: `${D}@5 ${S}@6`,
  },
  {
    habit: 'words in a row without anything between',
    text: '01 Violin SDC 48v\n02 Cello ribbon\n03 Bass piezo via active DI\n04 Host dyn',
    means: `${S}@1 ${R}@2 ${PIEZO}@3 ${D}@4`,
  },
  {
    habit: 'a list of tracks',
    text: 'Track list\nTrack 1: Boom (shotgun)\nTrack 2: Keeper (wireless)\nTrack 3: Guide (wireless)',
    means: `- ${GUN}@1 ${RX}@2 ${RX}@3`,
  },
];
