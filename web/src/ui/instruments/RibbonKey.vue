<template>
  <p class="key" aria-label="Key to the ribbon">
    <span
      ><svg width="18" height="10"><rect width="18" height="10" fill="var(--fill)" /></svg> read</span
    >
    <span
      ><svg width="18" height="10"><rect width="18" height="10" fill="url(#p-half)" stroke="var(--line-2)" /></svg>
      partly read</span
    >
    <span
      ><svg width="18" height="10"><rect width="18" height="10" fill="var(--well)" stroke="var(--line-2)" /></svg>
      unasked</span
    >
    <span
      ><svg width="18" height="10"><rect width="18" height="10" fill="url(#p-deferred)" stroke="var(--line-2)" /></svg>
      deferred</span
    >
    <span
      ><svg width="8" height="12"><path d="M1 0h6l-1.6 12h-2.8z" fill="var(--madder)" /></svg> failed</span
    >
    <span
      ><svg width="18" height="10">
        <path d="M0 7l5-2 5 2 8-4" fill="none" stroke="var(--verd)" stroke-width="1.5" />
      </svg>
      rate when read</span
    >
  </p>
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  font-size: 12px;
  color: var(--ink-2);
}
.key span {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
</style>
