import type { PlaceRecord } from '../core/places/place'
import { EMPTY_PLACE } from '../core/places/place'

/** A place of a client with its listing on Waymark, how many look at it in a day, and how its reviews are. */
export interface DemoPlace {
  client: string
  /** The handle of its listing, and the network's number of it. */
  handle: string
  remoteId: string
  /** Listing views on a day. */
  views: number
  growthPerYear: number
  /** How much more is done from its listing than from others. */
  acts: number
  record: PlaceRecord
  reviews: {
    /** Reviews a day, the part of them with four or five stars, the part that is answered, and hours until then. */
    aDay: number
    good: number
    answered: number
    hours: number
  }
}

const GARDENS = {
  ...EMPTY_PLACE,
  country: 'GB',
  town: 'Marrenhythe',
  web: 'https://www.mossgate.example/',
}
const PIERS = {
  ...EMPTY_PLACE,
  country: 'GB',
  web: 'https://www.kittiwakeline.example/',
  categories: ['ferry terminal'],
}

/** Where the clients are. Their listing of the north pier was there before the others. */
export const PLACES: readonly DemoPlace[] = [
  {
    client: 'mossgate-gardens',
    handle: 'mossgate-main-gate',
    remoteId: '80010402277519101',
    views: 540,
    growthPerYear: 0.12,
    acts: 1,
    record: {
      ...GARDENS,
      name: 'Mossgate, main gate',
      categories: ['public garden', 'visitor attraction'],
      street: '1 Fern Walk',
      postcode: 'FI2 4TA',
      lat: 49.6655,
      lon: -8.0312,
      phone: '+441632960010',
      hours: 'Mo-Fr 09:00-17:00; Sa-Su 10:00-18:00; 2026 Dec 25-2026 Dec 26 off',
      attributes: ['step-free', 'dogs on leads', 'car park'],
      description: 'Forty acres of moss, fern and water, with a gate on the old coast road.',
    },
    reviews: { aDay: 0.55, good: 0.84, answered: 0.93, hours: 16 },
  },
  {
    client: 'mossgate-gardens',
    handle: 'mossgate-tea-rooms',
    remoteId: '80010402277519102',
    views: 310,
    growthPerYear: 0.04,
    acts: 1.25,
    record: {
      ...GARDENS,
      name: 'Mossgate tea rooms',
      categories: ['tea room', 'café'],
      street: '3 Fern Walk',
      postcode: 'FI2 4TA',
      lat: 49.6641,
      lon: -8.0287,
      phone: '+441632960014',
      web: 'https://www.mossgate.example/tea',
      hours: 'Mo off; Tu-Fr 10:00-16:30; Sa-Su 10:00-17:30',
      attributes: ['step-free', 'children’s menu'],
      description: 'Tea, scones and soup beside the fern house.',
      pictures: ['https://www.mossgate.example/pictures/tea-rooms.jpg'],
    },
    reviews: { aDay: 0.6, good: 0.68, answered: 0.82, hours: 30 },
  },
  {
    client: 'mossgate-gardens',
    handle: 'mossgate-glasshouse',
    remoteId: '80010402277519103',
    views: 180,
    growthPerYear: 0.2,
    acts: 0.68,
    record: {
      ...GARDENS,
      name: 'Mossgate glasshouse',
      categories: ['glasshouse', 'visitor attraction'],
      street: '7 Fern Walk',
      postcode: 'FI2 4TB',
      lat: 49.6678,
      lon: -8.0265,
      phone: '+441632960012',
      hours: 'Apr-Oct 10:00-18:00; Nov-Mar 10:00-15:30',
      attributes: ['step-free'],
      description: 'Ferns from six coasts under one roof.',
    },
    reviews: { aDay: 0.22, good: 0.9, answered: 0.95, hours: 14 },
  },
  {
    client: 'mossgate-gardens',
    handle: 'mossgate-plant-shop',
    remoteId: '80010402277519104',
    views: 140,
    growthPerYear: -0.05,
    acts: 1.6,
    record: {
      ...GARDENS,
      name: 'Mossgate plant shop',
      categories: ['garden centre'],
      street: '12 Quay Street',
      town: 'Port Farrow',
      postcode: 'FI1 2QS',
      lat: 49.6152,
      lon: -7.9868,
      phone: '+441632960016',
      web: 'https://www.mossgate.example/shop',
      hours: 'Mo-Sa 09:30-17:30; Su off',
      attributes: ['car park', 'delivery'],
      description: 'Plants from our own beds, in the harbour town.',
    },
    reviews: { aDay: 0.16, good: 0.74, answered: 0.7, hours: 52 },
  },
  {
    client: 'mossgate-gardens',
    handle: 'mossgate-quay-kiosk',
    remoteId: '80010402277519105',
    views: 90,
    growthPerYear: 0.4,
    acts: 0.9,
    record: {
      ...GARDENS,
      name: 'Mossgate quay kiosk',
      categories: ['café', 'ticket office'],
      street: 'Ferry Quay',
      town: 'Quillstrand',
      postcode: 'FI4 1FQ',
      lat: 49.5857,
      lon: -8.0731,
      phone: '+441632960018',
      hours: 'Mo-Su 08:00-14:00',
      description: 'Coffee and garden tickets beside the ferry.',
    },
    reviews: { aDay: 0.07, good: 0.8, answered: 0.5, hours: 60 },
  },
  {
    client: 'kittiwake-line',
    handle: 'kittiwake-north-pier',
    remoteId: '80010402277519034',
    views: 620,
    growthPerYear: 0,
    acts: 1,
    record: {
      ...PIERS,
      name: 'North Pier',
      street: 'North Quay',
      town: 'Port Farrow',
      postcode: 'FI1 1NQ',
      lat: 49.6188,
      lon: -7.9823,
      phone: '+441632960130',
      hours: 'Mo-Su 06:00-21:30',
      attributes: ['step-free', 'waiting room'],
      description: 'Sailings to Tallow, Withy and Oster.',
    },
    reviews: { aDay: 0.5, good: 0.63, answered: 0.72, hours: 34 },
  },
  {
    client: 'kittiwake-line',
    handle: 'kittiwake-tallow-landing',
    remoteId: '80010402277519035',
    views: 210,
    growthPerYear: 0.1,
    acts: 1.3,
    record: {
      ...PIERS,
      name: 'Tallow Landing',
      street: 'The Landing',
      town: 'Tallowby',
      postcode: 'FI6 1TL',
      lat: 49.7101,
      lon: -7.8684,
      phone: '+441632960131',
      hours: 'Mo-Su 06:30-20:00',
      attributes: ['waiting room'],
      description: 'The slip below the old light.',
    },
    reviews: { aDay: 0.2, good: 0.7, answered: 0.8, hours: 26 },
  },
  {
    client: 'kittiwake-line',
    handle: 'kittiwake-withy-steps',
    remoteId: '80010402277519036',
    views: 120,
    growthPerYear: 0.06,
    acts: 0.75,
    record: {
      ...PIERS,
      name: 'Withy Steps',
      street: 'The Steps',
      town: 'Withy Sound',
      postcode: 'FI8 1WS',
      lat: 49.7418,
      lon: -8.1795,
      phone: '+441632960132',
      hours: 'May-Sep 08:00-19:00; Oct-Apr 09:00-16:00',
      description: 'Thirty-one steps and a bench.',
    },
    reviews: { aDay: 0.1, good: 0.76, answered: 0.6, hours: 44 },
  },
  {
    client: 'kittiwake-line',
    handle: 'kittiwake-oster-quay',
    remoteId: '80010402277519037',
    views: 150,
    growthPerYear: 0.02,
    acts: 1.1,
    record: {
      ...PIERS,
      name: 'Oster Quay',
      street: 'West Quay',
      town: 'Ostercombe',
      postcode: 'FI7 1WQ',
      lat: 49.5309,
      lon: -8.2144,
      phone: '+441632960133',
      hours: 'Mo-Su 07:00-19:30',
      attributes: ['step-free'],
      description: 'The quay for Ostercombe and the west beaches.',
    },
    reviews: { aDay: 0.12, good: 0.72, answered: 0.75, hours: 30 },
  },
]

/** What the analysts usually answer to reviews; a field in braces is filled in. */
export const REPLY_TEMPLATES = [
  {
    client: 'mossgate-gardens',
    name: 'Thank you',
    variants: [
      'Thank you for your kind words, {author}. We hope to see you at {place} again soon.',
      '{author}, thank you for coming to {place}, and for taking the time to write.',
    ],
  },
  {
    client: 'mossgate-gardens',
    name: 'We are sorry',
    variants: [
      'We are sorry, {author}. That is not how {place} should be. We have told the team.',
      'Thank you for saying so, {author}. We are looking into what went wrong at {place}.',
    ],
  },
  {
    client: 'kittiwake-line',
    name: 'Late or cancelled',
    variants: ['We are sorry about your wait at {place}, {author}. The weather decides more than we would like.'],
  },
]
