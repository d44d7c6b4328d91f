import { lookup as resolve, type LookupAddress } from 'node:dns'
import { request as httpRequest, type IncomingMessage } from 'node:http'
import { request as httpsRequest } from 'node:https'
import { isIP, type LookupFunction } from 'node:net'
import { isSpecial } from './specialAddresses'
import { ForPeople } from '../problems/forPeople'

/** What is taken from a page that a person has named, at the most. */
export const MOST_BYTES = 2_000_000
const TIMEOUT_MS = 10_000
const MOST_REDIRECTS = 3

/** A page that could not be fetched; the message is a sentence for the person. */
export class FetchRefused extends ForPeople {}

/** A page as it was fetched, and from where in the end. */
export interface FetchedPage {
  address: string
  html: string
}

/**
 * Whether an address on the network is one of the open internet: not this machine, not a private range, nothing
 * reserved.
 *
 * @example isPublicAddress('192.168.0.1') // false
 */
export function isPublicAddress(address: string): boolean {
  const family = isIP(address)
  return (family === 4 || family === 6) && !isSpecial(address, family)
}

/**
 * Resolves a name for a connection, and refuses it when any of its addresses is not public: what was checked is what is
 * connected to.
 */
const guardedLookup: LookupFunction = (name, options, done) => {
  resolve(name, { ...options, all: true }, (error, found) => {
    const addresses = found as unknown as LookupAddress[] | undefined
    const problem =
      error ??
      (addresses?.every(({ address }) => isPublicAddress(address))
        ? null
        : new FetchRefused('That address leads into a private network. Write the address of a public web page.'))
    if (problem || !addresses?.[0]) return done(problem ?? new Error('no address'), '')
    return options.all ? done(null, addresses as never) : done(null, addresses[0].address, addresses[0].family)
  })
}

/**
 * The address of a page as a person writes it, checked.
 *
 * @throws FetchRefused when it is not one of a public web page
 */
export function readPageAddress(text: string): URL {
  const address =
    /^[a-z][a-z\d+.-]*:/i.test(text.trim()) && !/^[\w.-]+:\d+/.test(text.trim())
      ? text.trim()
      : `https://${text.trim()}`
  if (!URL.canParse(address))
    throw new FetchRefused('That is not the address of a web page. Write it as https://www.name.example/.')
  const url = new URL(address)
  if (!['http:', 'https:'].includes(url.protocol))
    throw new FetchRefused('Only addresses that begin with http:// or https:// can be fetched.')
  if (url.username || url.password)
    throw new FetchRefused('An address with a name and a password in it is not fetched. Leave them out.')
  if (url.port !== '')
    throw new FetchRefused('Only web pages on their usual port can be fetched. Leave the number after the colon out.')
  const host = url.hostname.replace(/^\[|\]$/g, '')
  if (isIP(host) && !isPublicAddress(host))
    throw new FetchRefused('That address leads into a private network. Write the address of a public web page.')
  if (!host.includes('.') && !isIP(host))
    throw new FetchRefused('That address leads into a private network. Write the address of a public web page.')
  return url
}

/**
 * The shipped stand-in sites are the one exception: pages under .example, a name that leads nowhere on the internet
 * (RFC 2606).
 */
function standinFor(url: URL, sites: string | undefined): URL | undefined {
  return sites && url.hostname.endsWith('.example') ? new URL(`${sites}/${url.hostname}${url.pathname}`) : undefined
}

/** What may be fetched: of which media type, how much of it, and what is said of anything else. */
interface Wanted {
  types: RegExp
  accept: string
  mostBytes: number
  otherwise: string
}
const PAGE: Wanted = {
  types: /^(text\/html|application\/xhtml\+xml)/,
  accept: 'text/html',
  mostBytes: MOST_BYTES,
  otherwise: 'That address leads to something that is not a web page.',
}

/**
 * Fetches a web page that a person has named: public addresses only, over HTTP or HTTPS, checked again at every
 * redirect, with limits on size and time, and nothing but HTML.
 *
 * @param sites  where the stand-in sites are served, if they are
 * @throws       FetchRefused with a sentence
 */
export async function guardedFetch(text: string, sites = process.env.ZAFFER_SITES_ADDRESS): Promise<FetchedPage> {
  const { address, content } = await fetchGuarded(text, PAGE, sites)
  return { address, html: content.toString('utf8') }
}

/**
 * Fetches a picture that a page has named, as carefully as the page.
 *
 * @throws FetchRefused with a sentence
 */
export async function guardedPicture(
  text: string,
  mostBytes: number,
  sites = process.env.ZAFFER_SITES_ADDRESS,
): Promise<Buffer> {
  const otherwise = 'The picture of that page is none.'
  return (await fetchGuarded(text, { types: /^image\//, accept: 'image/*', mostBytes, otherwise }, sites)).content
}

async function fetchGuarded(
  text: string,
  wanted: Wanted,
  sites: string | undefined,
): Promise<{ address: string; content: Buffer }> {
  const end = AbortSignal.timeout(TIMEOUT_MS)
  let url = readPageAddress(text)
  for (let redirects = 0; redirects <= MOST_REDIRECTS; redirects++) {
    const response = await open(url, standinFor(url, sites), end, wanted.accept)
    const { statusCode = 0, headers } = response
    if (statusCode >= 300 && statusCode < 400 && headers.location) {
      response.destroy()
      if (!URL.canParse(headers.location, url))
        throw new FetchRefused('The page leads on to something that is no address.')
      url = readPageAddress(new URL(headers.location, url).href)
      continue
    }
    if (statusCode !== 200) {
      response.destroy()
      throw new FetchRefused(`The page answered ${statusCode}. Check the address.`)
    }
    if (!wanted.types.test(headers['content-type'] ?? '')) {
      response.destroy()
      throw new FetchRefused(wanted.otherwise)
    }
    return { address: url.href, content: await read(response, wanted.mostBytes) }
  }
  throw new FetchRefused('That address only leads on to other addresses.')
}

function open(url: URL, standin: URL | undefined, signal: AbortSignal, accept: string): Promise<IncomingMessage> {
  const target = standin ?? url
  const request = target.protocol === 'https:' ? httpsRequest : httpRequest
  return new Promise((done, fail) => {
    request(
      target,
      {
        signal,
        headers: { accept, 'accept-encoding': 'identity', 'user-agent': 'zaffer' },
        ...(!standin && { lookup: guardedLookup }),
      },
      done,
    )
      .on('error', (error) =>
        fail(
          error instanceof FetchRefused
            ? error
            : new FetchRefused(
                signal.aborted
                  ? 'The page took longer than ten seconds to answer.'
                  : `${url.hostname} cannot be reached. Check the address.`,
              ),
        ),
      )
      .end()
  })
}

async function read(response: IncomingMessage, mostBytes: number): Promise<Buffer> {
  const chunks: Buffer[] = []
  let bytes = 0
  try {
    for await (const chunk of response as AsyncIterable<Buffer>) {
      bytes += chunk.length
      if (bytes > mostBytes)
        throw new FetchRefused(`The page is larger than ${mostBytes / 1_000_000} MB and was not read.`)
      chunks.push(chunk)
    }
  } catch (error) {
    throw error instanceof FetchRefused
      ? error
      : new FetchRefused('The page broke off before it was read whole. Try again.')
  } finally {
    response.destroy()
  }
  return Buffer.concat(chunks)
}
