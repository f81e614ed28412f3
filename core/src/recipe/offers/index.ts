export { firstOf, foundOffers } from './foundOffers.ts';
export { addOffered, type Landing, type Wanted } from './landing.ts';
export { stepOffers, type StepOffer, type Variant } from './stepOffers.ts';
