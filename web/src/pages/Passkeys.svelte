<script lang="ts"></script>
