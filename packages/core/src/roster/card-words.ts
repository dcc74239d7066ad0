/** Short words that a child of six can read and copy, as many as a byte has values. All are things or animals. */
export const cardWords = `
acorn anchor ankle apple apron arrow aspen badge bagel baker bamboo banana barn basil basket beach bead beaver beetle bell
bench berry birch bird blanket boat bonnet book boot bottle bowl box branch bread brick bridge broom brush bucket button
cabin cable camel candle canoe canvas carpet carrot castle cedar cello chalk cherry circle clay cliff clock cloud clover coat
cobweb comet copper coral corn cotton cousin cradle crane crayon cricket crown cup curtain daisy desert desk dew dolphin
donkey door dragon drum duck dune eagle echo elbow elm ember falcon feather fence fern ferry fiddle field finch fire flag
flute forest fork fossil fountain fox frog garden garlic gate giraffe glacier glove goat goose grape grass guitar hammer
harbour harp hazel hedge heron hill honey hood hoop horse house igloo island ivy jacket jam jar jelly jewel jug jungle kettle
key kitchen kite kitten ladder lake lamp lantern lark leaf lemon letter lily lime lion lizard llama lobster lynx magnet mango
map maple marble market meadow melon mill mint mirror mitten moon moss mountain mouse muffin needle nest nettle noodle nut
oak oar ocean olive onion orange orbit orchard otter owl oxen paddle panda paper parrot pasta path peach pear pebble pencil
penguin pepper piano pigeon pillow pine pirate planet plum pocket pond poppy potato prism puddle pumpkin puppet puzzle rabbit
radio raft rain raisin raven ribbon rice river robin rocket rope rose ruler saddle sail salmon sand scarf school seal seed
sheep shell ship shoe silver spade spider spoon squirrel star stone swan table
`
  .trim()
  .split(/\s+/);

export const cardWordCount = 4;

/**
 * Makes the words of a card.
 * @param random a whole number from 0 to below what is asked, each as likely
 * @returns four words, none twice
 */
export function makeCardWords(random: (below: number) => number): string {
  const words = new Set<string>();
  while (words.size < cardWordCount) words.add(cardWords[random(cardWords.length)] ?? '');
  return [...words].join(' ');
}

/** How many cards there are: four words in order, none twice. */
export function countCardWords(): number {
  return Array.from({ length: cardWordCount }, (_, index) => cardWords.length - index).reduce(
    (all, one) => all * one,
    1,
  );
}

/**
 * Reads what was typed from a card: capitals, and what stands between the words, do not matter.
 * @returns the words as they are kept; null where these can be no card's
 */
export function readCardWords(text: string): string | null {
  const words = text
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((word) => word !== '');
  return words.length === cardWordCount && words.every((word) => cardWords.includes(word)) ? words.join(' ') : null;
}
