import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { BYTES_LIMIT, textOf } from './csv';
import { readFile, refuseFile, type FileRead } from './issue';
import { fromWindows1252 } from './windows1252';

/** An element as it was parsed: its children by name, its attributes by name with "@", its text under "#text". */
export type XmlNode = Readonly<Record<string, unknown>>;

/** How deep elements are nested at most in what is read. */
const DEPTH = 40;

/** Encodings that a declaration may name, by which of them is read. */
const ENCODINGS: Readonly<Record<string, string>> = {
  'utf-8': 'utf-8',
  utf8: 'utf-8',
  'us-ascii': 'utf-8',
  ascii: 'utf-8',
  'iso-8859-1': 'windows-1252',
  latin1: 'windows-1252',
  'windows-1252': 'windows-1252',
  cp1252: 'windows-1252',
  'utf-16': 'utf-16',
};

/** The elements of a name below another, none where there is none. */
export const childrenOf = (node: XmlNode | undefined, name: string): readonly XmlNode[] => {
  const value = node?.[name];
  if (value === undefined) return [];
  return (Array.isArray(value) ? value : [value]) as XmlNode[];
};

export const attributeOf = (node: XmlNode | undefined, name: string): string => {
  const value = node?.[`@${name}`];
  return typeof value === 'string' ? value : '';
};

/** The text of an element itself. */
export function textOfNode(node: unknown): string {
  if (typeof node === 'string') return node;
  const value = (node as XmlNode | undefined)?.['#text'];
  return typeof value === 'string' ? value : '';
}

/** The text of the first child element of a name. */
export const textIn = (node: XmlNode, name: string): string => textOfNode(childrenOf(node, name)[0]);

/** The text of an XML file in the encoding that its first line declares; a mark at its beginning rules. */
function declaredText(bytes: Uint8Array): FileRead<string> {
  const head = String.fromCharCode(...bytes.subarray(0, 200));
  const named = /^<\?xml[^>]*?\sencoding\s*=\s*["']([^"']+)["']/.exec(head)?.[1];
  const encoding = named === undefined ? 'utf-8' : ENCODINGS[named.toLowerCase()];
  if (encoding === undefined)
    return refuseFile(
      `The file is in "${(named ?? '').slice(0, 40)}", which is not read. Save it again in UTF-8.`,
    );
  if (encoding !== 'windows-1252') return textOf(bytes);
  if (bytes.length > BYTES_LIMIT) return refuseFile('The file is larger than 8 MB. Split it.');
  return readFile(fromWindows1252(bytes));
}

/** How deep the elements of a text are nested, read without a parser. */
function deepest(text: string): number {
  let [depth, most] = [0, 0];
  // From one bracket to the next: a search that does not come back, whatever stands there.
  for (let from = text.indexOf('<'); from >= 0; from = text.indexOf('<', from)) {
    const end = text.indexOf('>', from);
    if (end < 0) return most;
    const tag = text.slice(from, end + 1);
    from = end + 1;
    if (tag.startsWith('</')) depth -= 1;
    else if (!tag.endsWith('/>') && !tag.startsWith('<?') && !tag.startsWith('<!'))
      most = Math.max(most, (depth += 1));
  }
  return most;
}

/**
 * The root of an XML document, its elements and attributes named without the prefix of their namespace. UTF-8, UTF-16, and
 * the Western encodings of one byte where the first line says so. A document type is refused, and nesting without end.
 * @param what what the file should be, for the sentence: "a building model"
 * @param repeated elements that may come several times: always lists
 */
export function readXml(
  bytes: Uint8Array,
  { root, what, repeated }: { root: string; what: string; repeated: ReadonlySet<string> },
): FileRead<XmlNode | undefined> {
  const text = declaredText(bytes);
  if (!text.ok) return text;
  const body = text.value.replace(/^\uFEFF/, '');
  if (/<!DOCTYPE|<!ENTITY/i.test(body)) {
    return refuseFile('The file has a document type of its own, which is not read. Write it again without.');
  }
  if (deepest(body) > DEPTH) return refuseFile(`The file is nested too deep for ${what}.`);
  // Its successor brings encodings that not every environment of ours knows (fast-xml-validator 1.4).
  // eslint-disable-next-line @typescript-eslint/no-deprecated
  if (XMLValidator.validate(body) !== true) return refuseFile('The file is not readable as XML.');
  try {
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      removeNSPrefix: true,
      parseTagValue: false,
      parseAttributeValue: false,
      processEntities: true,
      isArray: (name) => repeated.has(name),
    });
    return readFile(childrenOf(parser.parse(body) as XmlNode, root)[0]);
  } catch {
    return refuseFile('The file is not readable as XML.');
  }
}
