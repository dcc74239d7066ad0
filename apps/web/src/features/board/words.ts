import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const boardWords = {
  desk: {
    script: 'Script',
    boardTitle: 'Name of the board',
    removeBoard: 'Take this board out',
    details: 'Details',
  },
  boardDesk: {
    prompt: 'What to do, on top of the board',
    promptHint: 'Choose what suits you best.',
    voice: 'Say it aloud as well',
    need: 'What counts as done',
    needKind: 'What counts as done',
    needCount: 'How many',
    kinds: {
      any: 'Any number of your choice',
      firstAnd: 'The first, and some more',
      eachRow: 'One of each row',
      worth: 'A total worth',
    },
    arrangement: 'How the tiles are arranged',
    columns_one: '{{count}} column',
    columns_other: '{{count}} columns',
    free: 'Where I put them',
    tiles: 'Tiles',
    addTile: 'Add a tile',
    title: 'Title of tile {{number}}',
    to: 'Tile {{number}}: where it leads',
    does: 'Tile {{number}}: what students do',
    minutes: 'Tile {{number}}: minutes',
    worth: 'Tile {{number}}: worth',
    colour: 'Tile {{number}}: colour',
    address: 'Tile {{number}}: address',
    min: 'min',
    worthShort: 'worth',
    picture: 'Picture on the tile',
    choosePart: 'Choose where it leads',
    toPart: 'to “{{title}}”, then back',
    outside: 'to an address outside',
    up: 'Move tile {{number}} up',
    down: 'Move tile {{number}} down',
    removeTile: 'Take out tile {{number}}',
    moveTile: 'Move with the arrow keys or by dragging: {{title}}',
    preview: 'As students see it',
    previewFree: 'As students see it. Drag the tiles to where you want them, or move them with the arrow keys.',
    colours: {
      plain: 'plain',
      main: 'aubergine',
      marigold: 'marigold',
      spruce: 'spruce',
      slate: 'slate',
      brick: 'brick',
    },
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly board: typeof boardWords;
  }
}
addWords(boardWords);
