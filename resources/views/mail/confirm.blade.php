Hello {!! $name !!},

you have made an account at Zinc Thimble. To show that this address is yours, open this link within a week:

{!! $address !!}

If it wasn’t you, do nothing: without the link nobody can use your address there.
