import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/aura/base'
import button from '@primeuix/themes/aura/button'
import checkbox from '@primeuix/themes/aura/checkbox'
import datepicker from '@primeuix/themes/aura/datepicker'
import dialog from '@primeuix/themes/aura/dialog'
import inputtext from '@primeuix/themes/aura/inputtext'
import menu from '@primeuix/themes/aura/menu'
import popover from '@primeuix/themes/aura/popover'
import progressbar from '@primeuix/themes/aura/progressbar'
import radiobutton from '@primeuix/themes/aura/radiobutton'
import select from '@primeuix/themes/aura/select'
import textarea from '@primeuix/themes/aura/textarea'
import toast from '@primeuix/themes/aura/toast'
import { DARK, LIGHT } from './tokens'

type Tokens = Record<keyof typeof LIGHT, string>

const scheme = (tokens: Tokens) => ({
  primary: { color: tokens.zaffer, contrastColor: tokens.onZaffer, hoverColor: tokens.deep, activeColor: tokens.deep },
  highlight: { background: tokens.wash, focusBackground: tokens.wash, color: tokens.ink, focusColor: tokens.ink },
  surface: {
    0: tokens.paper,
    50: tokens.ground,
    100: tokens.rail,
    200: tokens.rule,
    300: tokens.rule2,
    400: tokens.ink3,
    500: tokens.ink3,
    600: tokens.ink2,
    700: tokens.ink2,
    800: tokens.ink,
    900: tokens.ink,
    950: tokens.ink,
  },
  text: { color: tokens.ink, hoverColor: tokens.ink, mutedColor: tokens.ink3, hoverMutedColor: tokens.ink2 },
  content: {
    background: tokens.paper,
    hoverBackground: tokens.wash,
    borderColor: tokens.rule2,
    color: tokens.ink,
    hoverColor: tokens.ink,
  },
  formField: {
    background: tokens.paper,
    borderColor: tokens.rule2,
    hoverBorderColor: tokens.ink3,
    focusBorderColor: tokens.zaffer,
    color: tokens.ink,
    placeholderColor: tokens.ink3,
    iconColor: tokens.ink3,
    invalidBorderColor: tokens.worse,
    shadow: 'none',
  },
  overlay: {
    select: { background: tokens.paper, borderColor: tokens.rule2, color: tokens.ink },
    popover: { background: tokens.paper, borderColor: tokens.rule2, color: tokens.ink },
    modal: { background: tokens.paper, borderColor: tokens.rule2, color: tokens.ink },
  },
  list: {
    option: {
      focusBackground: tokens.wash,
      selectedBackground: tokens.wash,
      selectedFocusBackground: tokens.wash,
      color: tokens.ink,
      selectedColor: tokens.ink,
      focusColor: tokens.ink,
    },
  },
})

/**
 * Buttons without a ground have the outline and the letters of their scheme: the library would take them from one
 * palette for both.
 */
const lined = (tokens: Tokens) => ({
  outlined: {
    primary: {
      borderColor: tokens.zaffer,
      color: tokens.zaffer,
      hoverBackground: tokens.wash,
      activeBackground: tokens.wash,
    },
  },
  text: {
    primary: { color: tokens.zaffer, hoverBackground: tokens.wash, activeBackground: tokens.wash },
    danger: { color: tokens.worse, hoverBackground: tokens.wash, activeBackground: tokens.wash },
  },
})

/**
 * The measures of the components that are in use; those of every other component would be dead weight on every page.
 */
const measures = {
  ...base,
  components: {
    button,
    checkbox,
    datepicker,
    dialog,
    inputtext,
    menu,
    popover,
    progressbar,
    radiobutton,
    select,
    textarea,
    toast,
  },
}

/** The look of the product on PrimeVue's components: hairlines, small corners, no shadows, one blue. */
export const zafferTheme = definePreset(measures, {
  primitive: { borderRadius: { none: '0', xs: '2px', sm: '2px', md: '3px', lg: '3px', xl: '4px' } },
  semantic: {
    primary: {
      50: LIGHT.wash,
      100: LIGHT.wash,
      200: LIGHT.zaffer,
      300: LIGHT.zaffer,
      400: LIGHT.zaffer,
      500: LIGHT.zaffer,
      600: LIGHT.zaffer,
      700: LIGHT.deep,
      800: LIGHT.deep,
      900: LIGHT.deep,
      950: LIGHT.deep,
    },
    transitionDuration: '0s',
    disabledOpacity: '0.78',
    focusRing: { width: '2px', style: 'solid', color: '{primary.color}', offset: '2px' },
    formField: { paddingX: '0.5rem', paddingY: '0.3rem', borderRadius: '3px', sm: { fontSize: '0.84rem' } },
    overlay: {
      popover: { shadow: '0 2px 10px rgb(0 0 0 / 0.12)', borderRadius: '3px', padding: '0.9rem' },
      select: { shadow: '0 2px 10px rgb(0 0 0 / 0.12)', borderRadius: '3px' },
      modal: { shadow: '0 4px 24px rgb(0 0 0 / 0.2)', borderRadius: '4px', padding: '1.1rem' },
    },
    colorScheme: { light: scheme(LIGHT), dark: scheme(DARK) },
  },
  components: {
    button: {
      root: { paddingX: '0.7rem', paddingY: '0.28rem', borderRadius: '3px', label: { fontWeight: '600' } },
      colorScheme: { light: lined(LIGHT), dark: lined(DARK) },
    },
    datepicker: { date: { borderRadius: '2px' }, panel: { shadow: 'none', borderColor: 'transparent', padding: '0' } },
  },
})
