Hello {!! $name !!},

the password of your account at Zinc Thimble has just been changed, and everybody else who was signed in to it has been signed out.

If it wasn’t you, ask for a new password at once:

{!! $address !!}
