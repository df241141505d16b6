export { decodeLoosely } from './decode.js';
export {
  DESTINATION_KINDS,
  domainsOf,
  faultInDestination,
  hrefOf,
  LONGEST_ADDRESS,
  NOWHERE,
  pageAddress,
} from './destination.js';
export type { Destination, DestinationKind } from './destination.js';
export { parseDeviceAddress } from './device-address.js';
export type { DeviceAddress } from './device-address.js';
export { addressAtEnd, addressesIn } from './addresses-in-text.js';
export type { AddressInText } from './addresses-in-text.js';
export { fileNamed } from './file-named.js';
export { nearDomain, nearMailDomain, slipsOf } from './near-domain.js';
export { formatMailto, isMailAddress, mailAddressesIn, parseMailto } from './mailto.js';
export type { MailDestination, MailtoReading } from './mailto.js';
export { recognise } from './recognise.js';
export type { Recognition, Refusal } from './recognise.js';
export { trackingParameters, withoutTracking } from './tracking.js';
export { withoutFragment } from './without-fragment.js';
export { wordsFromAddress } from './words-from-address.js';
export { cleanTitle } from './clean-title.js';
export { urlFrom } from './url-from.js';
export { insteadOf } from './instead-of.js';
export { parseWebAddress } from './web-address.js';
