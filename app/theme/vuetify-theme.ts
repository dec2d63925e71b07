import type { ThemeDefinition } from 'vuetify'

/**
 * Paper, ink and light; and the same family at night. Contrast of text on ground is at least 4.5 : 1 in both.
 */
export const paper: ThemeDefinition = {
  dark: false,
  colors: {
    background: '#f6f1e6',
    surface: '#fbf8f1',
    'on-background': '#16233a',
    'on-surface': '#16233a',
    primary: '#b8430f',
    'on-primary': '#ffffff',
    secondary: '#1f5fa8',
    'on-secondary': '#ffffff',
    error: '#a31621',
    warning: '#8a5a00',
    success: '#1f6b4a',
    info: '#1f5fa8',
  },
  variables: { 'border-color': '#16233a', 'border-opacity': 0.16, 'medium-emphasis-opacity': 0.82 },
}

export const night: ThemeDefinition = {
  dark: true,
  colors: {
    background: '#0f1826',
    surface: '#152133',
    'on-background': '#efe8da',
    'on-surface': '#efe8da',
    primary: '#ff8a50',
    'on-primary': '#16100a',
    secondary: '#8dbcf2',
    'on-secondary': '#0b1522',
    error: '#ff8f8f',
    warning: '#f2c063',
    success: '#7fd3a8',
    info: '#8dbcf2',
  },
  variables: { 'border-color': '#efe8da', 'border-opacity': 0.2, 'medium-emphasis-opacity': 0.85 },
}

/** Black on white for the sun: nothing is grey, nothing is tinted. Contrast is at least 7 : 1. */
export const sun: ThemeDefinition = {
  dark: false,
  colors: {
    background: '#ffffff',
    surface: '#ffffff',
    'on-background': '#000000',
    'on-surface': '#000000',
    primary: '#8a2c00',
    'on-primary': '#ffffff',
    secondary: '#003f87',
    'on-secondary': '#ffffff',
    error: '#9b0010',
    warning: '#5c3b00',
    success: '#00492c',
    info: '#003f87',
  },
  variables: { 'border-color': '#000000', 'border-opacity': 0.5, 'medium-emphasis-opacity': 1 },
}
