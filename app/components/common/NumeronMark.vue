<template>
  <NuxtLink to="/plans" class="numeron-mark" aria-label="Numeron, all plans">
    <svg viewBox="0 0 32 32" width="26" height="26" aria-hidden="true">
      <rect width="32" height="32" rx="6" class="ground" />
      <path d="M9 25V7h4v18zM19 25V13h4v12z" class="posts" />
      <path
        d="M4 17c3-2.400 5-2.400 8 0s5 2.400 8 0 5-2.400 8 0v3c-3-2.400-5-2.400-8 0s-5 2.400-8 0-5-2.400-8 0z"
        class="tide"
      />
    </svg>
    <span>Numeron</span>
  </NuxtLink>
</template>

<style scoped>
.numeron-mark {
  display: inline-flex;
  align-items: center;
  gap: 9px;
  color: inherit;
  text-decoration: none;
  font-weight: 700;
  letter-spacing: 0.01em;
}
.ground {
  fill: rgb(var(--v-theme-primary));
}
.posts {
  fill: rgb(var(--v-theme-surface));
}
.tide {
  fill: rgb(var(--v-theme-water));
}
</style>
