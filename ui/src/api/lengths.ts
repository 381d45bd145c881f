// How long what is typed may be, as the core says it.
import { lengths } from './shared.json'

export const LENGTHS = lengths
