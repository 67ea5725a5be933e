import { en } from './en/index'
import { type Speech } from './words'

/** For whoever speaks English alone, and need not load the others. */
export const english: Speech = { language: 'en', words: en }
