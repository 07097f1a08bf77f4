<!-- Passkeys of this account. -->
