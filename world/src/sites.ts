import { archiveSite } from './archive.js';
import { made, page, redirect, status, type Site } from './site.js';

const slow = (delay: number, made: ReturnType<typeof page>) => ({ ...made, delay });

/** The made-up sites that the demo book leads to, with every kind of answer among them. */
export const demoSites: readonly Site[] = [
  {
    name: 'lamp-trust.example',
    about: 'Orrin Lamp Trust',
    pages: {
      '/': page(
        'Orrin Lamp Trust',
        [],
        'We look after five small lights and everything that was written about them.',
      ),
      '/tides': page(
        'Tide tables for the Orrin Sound',
        ['may', 'june', 'july', 'springs'],
        'Corrected each spring.',
      ),
      '/old-tides': redirect(301, 'https://lamp-trust.example/tides'),
      '/lights/skerrow-head': page(
        'Skerrow Head',
        ['letter'],
        'Built by a pilot’s widow with the stones of her garden wall.',
      ),
      '/lights/gannel-point': page('Gannel Point light', ['crossing']),
      '/lights/lantern-rock': page('The state of the lamp', [], 'Lit.'),
      '/keepers/farrow': page('Ada Farrow, her diary', ['seal']),
      '/lantern-day': page('Lantern day', [], 'The last Saturday of September, from noon.'),
      '/walks/what-to-bring': page('What to bring', [], 'A whistle. A teacher.'),
      '/members/drawings': status(403, 'For members of the Trust'),
    },
  },
  {
    name: 'orrin-ferries.example',
    about: 'Orrin Ferries',
    pages: {
      '/': page('Orrin Ferries', [], 'We sail when we say we will.'),
      '/timetable': page('Summer timetable', ['monday', 'sunday']),
      '/timetable/winter-sailings': page('Winter timetable', [], 'Read it aloud at the quay.'),
      '/fares': redirect(302, '/fares/2026'),
      '/fares/2026': page('Fares for 2026', ['returns']),
      '/notices': page('Notices to passengers', ['december']),
    },
  },
  {
    name: 'harbour-office.example',
    about: 'Orrin Harbour Office',
    pages: {
      '/': page('Harbour Office'),
      '/notices': page('Notices'),
      '/notices/today': slow(1500, page('Notices for today', [], 'Low water at Gannel: ask at the window.')),
      '/webcam': status(500, 'The camera does not answer'),
      '/lifeboat': page('Lifeboat station'),
      '/permits': page('Landing permits'),
    },
  },
  {
    name: 'weather-sound.example',
    about: 'Weather of the Sound',
    pages: {
      '/forecast': page('Forecast for the Sound', ['morning', 'evening']),
      '/gale-warnings': { ...page('Gale warnings in force', [], 'None.'), headStatus: 405 },
    },
  },
  {
    name: 'orrin-archive.example',
    about: 'Archive of the Sound',
    pages: {
      '/': page('Archive of the Sound'),
      '/keepers-logs': page('Keepers’ logs', ['skerrow-head', 'middle']),
      '/maps/1871': page('The map of 1871', ['weir']),
      '/photographs': status(410, 'These photographs were withdrawn'),
      '/papers/elder': page('The lost lantern of Elder'),
      '/files/skerrow-path.gpx': made(
        200,
        { 'content-type': 'application/gpx+xml' },
        '<?xml version="1.0"?><gpx version="1.1" creator="Archive of the Sound"><trk><name>Skerrow Head</name></trk></gpx>',
      ),
      '/catalogue': redirect(303, '/catalogue/search'),
      '/catalogue/search': page('Search the catalogue'),
      '/papers/harbour-lamp': redirect(308, 'https://orrin-archive.example/collections/harbour-lamp'),
      '/collections/harbour-lamp': page('Papers on the harbour lamp'),
    },
  },
  {
    name: 'walkers-of-orrin.example',
    about: 'Walkers of Orrin',
    pages: {
      '/': page('Walkers of Orrin'),
      '/code': page('The walkers’ code'),
      '/stiles': page('Page not found', [], 'The page you are looking for has gone over the stile.'),
      '/paths/coast': page('The coast path, with its stiles counted', ['skerrow']),
      '/buses': redirect(307, '/buses/this-week'),
      '/buses/this-week': page('Buses to the paths this week'),
    },
  },
  {
    name: 'bird-watch.example',
    about: 'Bird watch of the Sound',
    pages: {
      '/burrows': page('The count of the burrows'),
      '/seals': page('Watching seals', [], 'Sit down.'),
      '/terns': page('How to pass a tern colony'),
    },
  },
  {
    name: 'lens-makers.example',
    about: 'Makers and menders of lenses',
    pages: {
      '/': page('Makers and menders of lenses'),
      '/drum-lenses': page('Drum lenses of the smaller harbours'),
      '/how-a-lens-works': page('How a lighthouse lens works', ['prisms']),
    },
  },
  {
    name: 'tidewater-inn.example',
    about: 'Tidewater Inn',
    pages: {
      '/': page('Tidewater Inn'),
      '/rooms': status(429, 'Too many guests at the door', '1'),
    },
  },
  {
    name: 'radio-orrin.example',
    about: 'Radio Orrin',
    pages: {
      '/programmes/wells': page('The wells of Skerrow'),
      '/programmes/bells': { answer: { kind: 'silent' } },
    },
  },
  {
    name: 'orrin-permits.example',
    about: 'Permits by post',
    pages: { '/apply': page('Apply for a permit') },
  },
  archiveSite('orrin-memory.example', [
    'https://orrin-archive.example/photographs',
    'https://harbour-office.example/',
    'https://walkers-of-orrin.example/',
  ]),
  { name: 'boat-hire.example', about: 'Boat hire', pages: {}, refuses: true },
];

/** Where copies of lost pages of these sites are found (RFC 7089). */
export const DEMO_TIME_GATE = 'https://orrin-memory.example/timegate/';
