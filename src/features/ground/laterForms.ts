'use client'

import dynamic from 'next/dynamic'

// What is asked for now and then comes when it is opened; most who open the page look at the map.

export const BaseForm = dynamic(() => import('./BaseForm').then((m) => m.BaseForm))
export const BearingLegForm = dynamic(() => import('./BearingLegForm').then((m) => m.BearingLegForm))
export const FileAreas = dynamic(() => import('./FileAreas').then((m) => m.FileAreas))
export const FileLegForm = dynamic(() => import('./FileLegForm').then((m) => m.FileLegForm))
export const OneMarkForm = dynamic(() => import('./OneMarkForm').then((m) => m.OneMarkForm))
export const SiteForm = dynamic(() => import('./SiteForm').then((m) => m.SiteForm))
export const TapeLegForm = dynamic(() => import('./TapeLegForm').then((m) => m.TapeLegForm))
