'use client';
import dynamic from 'next/dynamic';

/** What reads and keeps projects comes after the page itself: together they would hold it up too long. */
const Chest = dynamic(() => import('./Chest').then((module) => module.Chest));

export default function Home() {
  return <Chest />;
}
