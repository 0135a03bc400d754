'use client';
import { LookSheet } from '../finish/LookSheet';

/** Looks on the shelf: the project's and those that come with Oilwick, each as this moment would be under it. */
export function Looks() {
  return <LookSheet className="" />;
}
