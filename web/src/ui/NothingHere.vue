<template>
  <main class="page">
    <h1>There is nothing at this address.</h1>
    <p><RouterLink class="link" to="/desk">Go to the Desk</RouterLink></p>
  </main>
</template>
