Hello {!! $name !!},

somebody, you we hope, asked for a new password for Zinc Thimble. Set it here within an hour:

{!! $address !!}

If it wasn’t you, do nothing: your password stays as it is.
