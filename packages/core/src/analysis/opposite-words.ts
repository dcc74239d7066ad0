/*
 * Words that turn what is said into its opposite. Two answers that differ in one of them are different answers, however
 * few letters they are apart. Everyday words of the languages that classes write in; common practice, no source.
 */

const negations = new Set(
  [
    'not no never none nor neither nothing nobody nowhere without cannot cant dont doesnt isnt arent wasnt werent wont',
    'hasnt havent hadnt couldnt shouldnt wouldnt didnt t',
    'nicht nie niemals kein keine keinen keiner keines ohne weder',
    'ne pas jamais sans aucun aucune ni',
    'inte ej aldrig ingen inget inga utan',
    'nunca sin ningun ninguna tampoco',
    'non mai senza nessuno',
    'nao sem nenhum nenhuma',
    'ikke aldri uten ingen niet geen nooit zonder',
  ].flatMap((words) => words.split(' ')),
);

/** Words that say how something is compared, with their opposites; endings are taken off before they are looked up. */
const pairs = [
  'up down|rise fall|rising falling|rose fell|more less|more fewer|high low|higher lower|great small|greater smaller',
  'big little|large small|hot cold|warm cool|left right|in out|push pull|tension compression|stretch squash',
  'attract repel|positive negative|true false|yes no|always never|before after|gain lose|gain loss|over under',
  'above below|top bottom|first last|begin end|start end|start stop|open close|strong weak|fast slow|long short',
  'heavy light|wide narrow|thick thin|north south|east west|plus minus|maximum minimum|max min|buy sell',
  'add subtract|multiply divide|acid base|rich poor|old young|early late|same different|with without|hard soft',
  'rough smooth|full empty|wet dry|dark light|safe dangerous|near far|live dead|alive dead|win lose|love hate',
  'expand contract|stable unstable|odd even|vertical horizontal|clockwise anticlockwise|sunrise sunset|male female',
].flatMap((line) => line.split('|').map((pair) => pair.split(' ') as [string, string]));

const opposites = new Set(pairs.flatMap(([one, other]) => [`${one} ${other}`, `${other} ${one}`]));

/** Beginnings that stand for opposites before the same end: increase and decrease, import and export. */
const beginnings = [
  'in de|im ex|in ex|inter exter|inter intra|up down|over under|hyper hypo|endo exo|macro micro|maxi mini|pre post',
  'pro anti|con pro|ac de|as de|ad sub|out in|up low|fore back|homo hetero|uni multi|mono poly|en dis|ap de',
].flatMap((line) => line.split('|').map((pair) => pair.split(' ') as [string, string]));

const negatingBeginnings = ['un', 'in', 'im', 'il', 'ir', 'dis', 'non', 'anti', 'mis', 'de', 'a', 'counter'];
const endings = ['ing', 'est', 'ed', 'er', 'es', 'ly', 's', 'd'];

export const isNegation = (word: string): boolean => negations.has(word);

/** Whether one word says the opposite of the other, by a list of words, by its beginning or by its end. */
export function areOpposite(one: string, other: string): boolean {
  const [a, b] = [stemsOf(one), stemsOf(other)];
  if (a.some((stem) => b.some((end) => opposites.has(`${stem} ${end}`)))) return true;
  if (negatingBeginnings.some((begin) => one === begin + other || other === begin + one)) return true;
  if (beginnings.some(([x, y]) => hasSwapped(one, other, x, y) || hasSwapped(other, one, x, y))) return true;
  return hasSwappedEnd(one, other) || hasSwappedEnd(other, one);
}

function hasSwapped(one: string, other: string, x: string, y: string): boolean {
  return (
    one.startsWith(x) && other.startsWith(y) && one.length > x.length && one.slice(x.length) === other.slice(y.length)
  );
}

/** Careful and careless. */
function hasSwappedEnd(one: string, other: string): boolean {
  return one.endsWith('ful') && other.endsWith('less') && one.slice(0, -3) === other.slice(0, -4);
}

function stemsOf(word: string): readonly string[] {
  const cut = endings.filter((end) => word.endsWith(end) && word.length > end.length + 1);
  return [word, ...cut.flatMap((end) => [word.slice(0, -end.length), `${word.slice(0, -end.length)}e`])];
}
