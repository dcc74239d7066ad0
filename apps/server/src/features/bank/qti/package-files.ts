import { element, findWithin, writeXml, type XmlElement } from '@semita/core/qti';

/** Names of QTI 3.0 and IMS Content Packaging, as the standard gives them; addresses that are names and are never fetched. */
const packaging = 'http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1';
const metadata = 'http://ltsc.ieee.org/xsd/LOM';
export const itemType = 'imsqti_item_xmlv3p0';

export const manifestName = 'imsmanifest.xml';

export interface PackagedItem {
  readonly identifier: string;
  readonly href: string;
  readonly title: string;
  readonly tags: readonly string[];
  /** Files that it shows. */
  readonly media: readonly string[];
}

/** The list of what is in a package. */
export function writeManifest(items: readonly PackagedItem[]): string {
  const text = (words: string) => element('string', { language: 'en' }, words);
  const media = [...new Set(items.flatMap((item) => item.media))];
  const mediaId = (href: string) => `media-${media.indexOf(href) + 1}`;
  return writeXml(
    element(
      'manifest',
      { xmlns: packaging, identifier: 'manifest' },
      element('metadata', {}, element('schema', {}, 'QTI Package'), element('schemaversion', {}, '3.0.0')),
      element('organizations'),
      element(
        'resources',
        {},
        items.map(({ identifier, href, title, tags, media: shown }) =>
          element(
            'resource',
            { identifier, type: itemType, href },
            element(
              'metadata',
              {},
              element(
                'lom',
                { xmlns: metadata },
                element(
                  'general',
                  {},
                  element('title', {}, text(title)),
                  tags.map((tag) => element('keyword', {}, text(tag))),
                ),
              ),
            ),
            element('file', { href }),
            shown.map((file) => element('dependency', { identifierref: mediaId(file) })),
          ),
        ),
        media.map((href) =>
          element('resource', { identifier: mediaId(href), type: 'webcontent', href }, element('file', { href })),
        ),
      ),
    ),
  );
}

export interface ManifestItem {
  readonly href: string;
  readonly tags: readonly string[];
}

/**
 * What a manifest lists: its items, and how many tests. Dependencies are not followed, since an item names its own
 * files: so none can go in circles.
 */
export function readManifest(manifest: XmlElement): { items: ManifestItem[]; testCount: number } {
  const resources = findWithin(manifest, ({ name }) => name === 'resource');
  const ofType = (pattern: RegExp) => resources.filter(({ attributes }) => pattern.test(attributes.type ?? ''));
  return {
    items: ofType(/^imsqti_(?:item|apipitem)_xml/i).map((resource) => ({
      href: resource.attributes.href ?? '',
      tags: keywordsOf(resource),
    })),
    testCount: ofType(/^imsqti_(?:test|assessment)_xml/i).length,
  };
}

function keywordsOf(resource: XmlElement): string[] {
  const words = findWithin(resource, ({ name }) => name === 'keyword').map((keyword) =>
    findWithin(keyword, ({ name }) => name === 'string' || name === 'langstring')
      .flatMap(({ children }) => children)
      .join('')
      .trim()
      .slice(0, 60),
  );
  return [...new Set(words)].filter((word) => word !== '').slice(0, 20);
}
