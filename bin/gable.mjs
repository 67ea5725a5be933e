#!/usr/bin/env node
import { bundledCommand } from '../scripts/parts/command-line.mjs'

await import(await bundledCommand())
