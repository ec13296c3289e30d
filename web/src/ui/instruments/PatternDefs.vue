<!-- The patterns of all instruments; they use the tokens, so both themes follow. -->
<template>
  <svg width="0" height="0" aria-hidden="true" style="position: absolute">
    <defs>
      <pattern id="p-deferred" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="6" height="6" fill="var(--sheet)" />
        <line x1="0" x2="0" y1="0" y2="6" stroke="var(--ink)" stroke-width="2.2" />
      </pattern>
      <pattern id="p-dense" width="4" height="4" patternUnits="userSpaceOnUse">
        <rect width="4" height="4" fill="var(--sheet)" />
        <rect width="2.8" height="4" fill="var(--fill)" />
      </pattern>
      <pattern id="p-half" width="4" height="4" patternUnits="userSpaceOnUse">
        <rect width="4" height="4" fill="var(--sheet)" />
        <rect width="1.8" height="4" fill="var(--fill)" />
      </pattern>
      <pattern id="p-thin" width="4" height="4" patternUnits="userSpaceOnUse">
        <rect width="4" height="4" fill="var(--sheet)" />
        <rect width=".9" height="4" fill="var(--fill)" />
      </pattern>
      <pattern id="p-dots" width="3.5" height="3.5" patternUnits="userSpaceOnUse">
        <circle cx="1.2" cy="1.2" r=".9" fill="var(--ink)" />
      </pattern>
      <pattern id="p-against" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" x2="0" y1="0" y2="5" stroke="var(--ink)" stroke-width="1.8" />
      </pattern>
      <pattern id="p-against-told" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" x2="0" y1="0" y2="5" stroke="var(--heather)" stroke-width="1.8" />
      </pattern>
    </defs>
  </svg>
</template>
