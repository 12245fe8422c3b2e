package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Songs and their versions in PostgreSQL. */
@Mapper
interface SongMapper {

    @Select("select id, owner, title, chart, choices, arrangement_id, arrangement, others, version, created_at, "
            + "updated_at from song "
            + "where owner = #{owner} and deleted_at is null order by lower(title), id")
    List<SongRow> all(@Param("owner") UUID owner);

    /** Without charts and choices. */
    @Select("select id, title, figure, summary, version, updated_at from song where owner = #{owner} "
            + "and deleted_at is null order by lower(title), id")
    List<LineRow> lines(@Param("owner") UUID owner);

    @Select("select chart from song where id = #{id}")
    String chart(@Param("id") UUID id);

    /** A summary of a chart that is still the one of that version. */
    @Update("update song set summary = #{summary} where id = #{id} and version = #{version}")
    void sumUp(@Param("id") UUID id, @Param("version") int version, @Param("summary") Summary summary);

    @Select("select id, owner, title, chart, choices, arrangement_id, arrangement, others, version, created_at, "
            + "updated_at from song "
            + "where id = #{id} and owner = #{owner} and deleted_at is null")
    Optional<SongRow> find(@Param("owner") UUID owner, @Param("id") UUID id);

    @Insert("insert into song (id, owner, title, chart, choices, arrangement_id, arrangement, others, version, "
            + "created_at, updated_at, summary) values (#{song.id}, #{song.owner}, #{song.title}, "
            + "#{song.chart}, #{song.choices}, #{song.arrangementId}, #{song.arrangement}, #{song.others}, "
            + "#{song.version}, #{song.createdAt}, #{song.updatedAt}, #{summary})")
    void insert(@Param("song") SongRow song, @Param("summary") Summary summary);

    /** @return 1, or 0 when the song is gone or no longer has the version before this one */
    @Update("update song set title = #{song.title}, chart = #{song.chart}, choices = #{song.choices}, "
            + "arrangement_id = #{song.arrangementId}, arrangement = #{song.arrangement}, "
            + "others = #{song.others}, summary = #{summary}, version = #{song.version}, updated_at = "
            + "#{song.updatedAt} "
            + "where id = #{song.id} and owner = #{song.owner} and version = #{song.version} - 1 and "
            + "deleted_at is null")
    int update(@Param("song") SongRow song, @Param("summary") Summary summary);

    @Update("update song set deleted_at = #{at} where id = #{id} and owner = #{owner} and deleted_at is null")
    int delete(@Param("owner") UUID owner, @Param("id") UUID id, @Param("at") OffsetDateTime at);

    @Update("update song set deleted_at = null where id = #{id} and owner = #{owner} and deleted_at is not null")
    int restore(@Param("owner") UUID owner, @Param("id") UUID id);

    @Insert("insert into milestone (name, at) values (#{name}, now()) on conflict do nothing")
    int reach(@Param("name") String name);
}
