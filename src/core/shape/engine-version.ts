/** Raised whenever a form or its picture changes for the same program: kept ones of older versions are dropped. */
export const FORM_ENGINE_VERSION = 1
