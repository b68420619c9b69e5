Hello,

somebody, you we hope, has just made an account at Zinc Thimble with this address. You have one of that address already, and it stays as it is. Sign in to it here, or ask for a new password there:

{!! $address !!}

If it wasn’t you, do nothing: nobody has got into your account.
