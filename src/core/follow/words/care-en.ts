/** By itself, since every page of the application shows it and no other words of those who follow. */
export const CARE =
  'This is gentle movement and self-massage, not medical care. Stop if anything hurts. Ask a licensed clinician first if you have a condition or had a procedure. Local rules on massage and health claims apply. Clean hands; glasses, earrings and hearing aids off.';
