<template>
  <main class="page">
    <h1>There is nothing here.</h1>
    <p>
      The address may be mistyped, or a kit has another code now. <RouterLink to="/shelf">Go to the shelf</RouterLink>
    </p>
  </main>
</template>
