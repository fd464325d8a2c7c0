<template>
  <div class="empty">
    <h1>There is nothing at this address.</h1>
    <RouterLink to="/families">To the families</RouterLink>
  </div>
</template>
