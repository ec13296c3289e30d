<template>
  <svg width="24" height="24" viewBox="0 0 24 24" aria-hidden="true">
    <path d="M2 4h4M2 9.3h4M2 14.6h4M2 20h4" stroke="var(--ink)" stroke-width="2.4" />
    <path d="M9 4h8a3.2 3.2 0 0 1 0 7H9m0 0h8.6a4 4 0 0 1 0 9H9" fill="none" stroke="var(--ink)" stroke-width="2.6" />
    <path d="M9 15.5h6" stroke="var(--verd)" stroke-width="2.6" />
  </svg>
</template>
