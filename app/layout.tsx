import { type Metadata } from 'next'
import { type ReactNode } from 'react'
import './globals.css'

export const metadata: Metadata = {
  title: 'Tall Gable',
  description: 'From an address to a payback proposal.',
}

export default function Layout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en">
      <body>{children}</body>
    </html>
  )
}
