/* What both references read, keep and time with. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

/* The next number of standard input; nan = not known. */
static double next_number(void)
{
    char word[64];
    if (scanf("%63s", word) != 1) {
        fprintf(stderr, "what is to be read ends too soon\n");
        exit(2);
    }
    return strcmp(word, "nan") == 0 ? NAN : strtod(word, NULL);
}

static void *room_for(int many, size_t size)
{
    void *room = calloc((size_t) (many > 0 ? many : 1), size);
    if (room == NULL) {
        fprintf(stderr, "no room\n");
        exit(2);
    }
    return room;
}

/* On a clock that only goes forward. */
static double seconds(void)
{
    struct timespec now;
    clock_gettime(CLOCK_MONOTONIC, &now);
    return (double) now.tv_sec + (double) now.tv_nsec * 1e-9;
}
