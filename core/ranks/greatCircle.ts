/** A place on the earth, in degrees. */
export interface LatLon {
  lat: number
  lon: number
}

/** The mean radius of the earth, in kilometres: R1 of the International Union of Geodesy and Geophysics (Moritz 1980). */
const EARTH_KM = 6371.0088

const radians = (degrees: number): number => (degrees * Math.PI) / 180
const degrees = (angle: number): number => (angle * 180) / Math.PI

/**
 * How far apart two places are along a great circle, in kilometres, by the haversine formula (Sinnott 1984). On a
 * sphere: the ellipsoid differs from it by 0.6 % at the most.
 *
 * @example distanceKm({ lat: 49.6, lon: -8 }, { lat: 49.6, lon: -8.1 }) // 7.2
 */
export function distanceKm(a: LatLon, b: LatLon): number {
  const half = (from: number, to: number) => Math.sin(radians(to - from) / 2) ** 2
  const chord = half(a.lat, b.lat) + Math.cos(radians(a.lat)) * Math.cos(radians(b.lat)) * half(a.lon, b.lon)
  return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(chord)))
}

/**
 * Where one comes to from a place along a great circle.
 *
 * @param bearing  in degrees, clockwise from north
 * @param km       how far (≥ 0)
 * @returns        the longitude from −180 to 180
 * @example        pointFrom({ lat: 0, lon: 0 }, 90, 111.2) // { lat: 0, lon: 1.0 }
 */
export function pointFrom({ lat, lon }: LatLon, bearing: number, km: number): LatLon {
  const [far, from, along] = [km / EARTH_KM, radians(lat), radians(bearing)]
  const to = Math.asin(Math.sin(from) * Math.cos(far) + Math.cos(from) * Math.sin(far) * Math.cos(along))
  const east = Math.atan2(
    Math.sin(along) * Math.sin(far) * Math.cos(from),
    Math.cos(far) - Math.sin(from) * Math.sin(to),
  )
  return { lat: degrees(to), lon: ((lon + degrees(east) + 540) % 360) - 180 }
}

/**
 * The direction in which one sets out from a place to another, in degrees from 0 to 360, clockwise from north.
 *
 * @example bearing({ lat: 0, lon: 0 }, { lat: 0, lon: 1 }) // 90
 */
export function bearing(a: LatLon, b: LatLon): number {
  const east = radians(b.lon - a.lon)
  const [from, to] = [radians(a.lat), radians(b.lat)]
  const angle = Math.atan2(
    Math.sin(east) * Math.cos(to),
    Math.cos(from) * Math.sin(to) - Math.sin(from) * Math.cos(to) * Math.cos(east),
  )
  return (degrees(angle) + 360) % 360
}

const WINDS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const

/**
 * A direction in words.
 *
 * @example windOf(137) // 'south-east'
 */
export const windOf = (angle: number): (typeof WINDS)[number] => WINDS[Math.round(angle / 45) % 8]!
